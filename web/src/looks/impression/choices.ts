import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Face } from './surface';
import type { MapName } from './usePressed';

interface Choices {
  face: Face;
  map: MapName;
  /** Key of the variant that is shown beside, or nothing. */
  compare: string;
  set: (part: Partial<Omit<Choices, 'set'>>) => void;
}

/** How the impression is looked at, remembered in the browser. */
export const useLookChoices = create<Choices>()(
  persist((set) => ({ face: 'front', map: 'light', compare: '', set: (part) => set(part) }), {
    name: 'lofty-impression',
  }),
);
