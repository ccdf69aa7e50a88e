import { t } from '../../words/words';

/** The ways to a tool's relief by photographs. */
export type Road = 'torch' | 'scans' | 'sheet';

export const ROADS: Record<Road, { title: string; steps: string[] }> = {
  torch: {
    title: t('With a phone and a flashlight'),
    steps: [
      t('Lay the open folder or plate on the printed photo sheet, pattern up. Darken the room.'),
      t(
        'Take six photos from above. For each, hold a flashlight at another side, a hand and a half away and as high as your wrist.',
      ),
      t("Take one more without the flashlight. Don't move anything on the sheet."),
    ],
  },
  scans: {
    title: t('On a flatbed scanner'),
    steps: [
      t('Lay it on the glass, pattern down. Close the lid or cover it with white card.'),
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
        'Lay it on the printed photo sheet. Take photos with a flashlight at four sides or more, and one without.',
      ),
    ],
  },
};
