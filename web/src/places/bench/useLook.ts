import { create } from 'zustand';
import type { Look } from './looks';

/** Which look is open; it stays when another sandwich comes on the bench. */
export const useLook = create<{ look: Look; setLook: (look: Look) => void }>()((set) => ({
  look: 'verdict',
  setLook: (look) => set({ look }),
}));
