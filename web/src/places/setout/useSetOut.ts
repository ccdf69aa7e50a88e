import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { USUAL } from '../../sandwich/traits.gen';

export type Size = 'pocket' | 'standard' | 'wide';
export type DriveKind = 'hand' | 'motor';

interface SetOut {
  step: number;
  name: string;
  size: Size;
  drive: DriveKind;
  /** How many of each kind lay in the press's box. */
  box: Record<string, number>;
  /** What else is owned, as it was written. */
  text: string;
  /** The press on the shelf, once it and the things were put there. */
  pressId: string | undefined;
  /** What was said of each pile, and the run that keeps it. */
  answers: Record<string, { said: string; run: string; version: number }>;
  change: (part: Partial<Omit<SetOut, 'change' | 'beginAnew'>>) => void;
  /** For another press, or where this one is no longer on the shelf. */
  beginAnew: () => void;
}

const START = {
  step: 0,
  name: '',
  size: 'standard',
  drive: 'hand',
  box: USUAL as Record<string, number>,
  text: '',
  pressId: undefined,
  answers: {},
} as const;

/** How far somebody is with setting out; it can be left at any step and taken up again. */
export const useSetOut = create<SetOut>()(
  persist(
    (set) => ({
      ...START,
      change: (part) => set(part),
      beginAnew: () => set(START),
    }),
    { name: 'lofty-set-out' },
  ),
);

/** Everything that is named so far, as one list. */
export const wholeList = ({ box, text }: Pick<SetOut, 'box' | 'text'>): string =>
  [
    ...Object.entries(box)
      .filter(([, count]) => count > 0)
      .map(([kind, count]) => `${count} ${kind}`),
    text,
  ].join('\n');
