import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { First, Words } from '../../api/types';
import { terms } from '../../words/words';

export const PARTS = terms('Lay it', 'Plates', 'Register', 'Two passes');
export type Part = (typeof PARTS)[number];

export const MAPS = terms('cut over', 'scars', 'bow', 'hidden');
export type MapKind = (typeof MAPS)[number];

interface Choices {
  part: Part;
  /** What of a folder has to meet the rollers first. */
  first: First;
  /** Whether dragging keeps to whole millimetres and steps of five degrees. */
  snap: boolean;
  /** Which force is drawn along the crank. */
  load: 'between the rollers' | 'at the handle';
  /** How the lines of a tool's words are to run. */
  words: Words;
  /** What of a plate's face is drawn under the work. */
  map: MapKind;
  set: (part: Partial<Omit<Choices, 'set'>>) => void;
}

/** How the feed is looked at, remembered in the browser. */
export const useFeedChoices = create<Choices>()(
  persist(
    (set) => ({
      part: 'Lay it',
      first: 'either',
      snap: true,
      load: 'between the rollers',
      words: 'either',
      map: 'cut over',
      set: (part) => set(part),
    }),
    {
      name: 'lofty-feed',
    },
  ),
);
