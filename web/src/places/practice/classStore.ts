import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { GivenDrill, Results } from '../../api/gen/types.gen';

interface Class {
  /** The teacher's drill that is open. */
  open: GivenDrill | null;
  /** What came of given drills, to hand in. */
  done: Results['done'];
  who: string;
  set: (part: Partial<Pick<Class, 'open' | 'done' | 'who'>>) => void;
}

/** Given drills of this browser: the one that is open, and what came of those before; it survives a reload. */
export const useClass = create<Class>()(
  persist((set) => ({ open: null, done: [], who: '', set: (part) => set(part) }), { name: 'lofty-class' }),
);
