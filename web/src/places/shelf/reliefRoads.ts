import { t } from '../../words/words';

/** The ways to a tool's relief by photographs. */
export type Road = 'torch' | 'scans' | 'sheet';

export const ROADS: Record<Road, { title: string; steps: string[] }> = {
  torch: {
    title: t('With a phone and a torch'),
    steps: [
      t('Lay the open folder or plate on the printed photo sheet, pattern up. Darken the room.'),
      t(
        'Take six photos from above. For each, hold a torch at another side, a hand’s length and a half away, and as high as your wrist.',
      ),
      t('Take one more without the torch. Nothing on the sheet may move.'),
    ],
  },
  scans: {
    title: t('On a flatbed scanner'),
    steps: [
      t('Lay it on the glass, pattern down, and close the lid or put white card over it.'),
      t(
        'Scan four times at 300 pixels an inch or more. Turn it by a quarter after each scan, always the same way.',
      ),
    ],
  },
  sheet: {
    title: t('By a white sheet pressed in it'),
    steps: [
      t('Press a sheet of plain white card in it, in a sandwich that works.'),
      t(
        'Lay it on the printed photo sheet and take photos with a torch at four sides or more, and one without.',
      ),
    ],
  },
};
