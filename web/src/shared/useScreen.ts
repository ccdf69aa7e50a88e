import useMediaQuery from '@mui/material/useMediaQuery';

/** Room on the screen: for two columns side by side, for one over the other, or for one at a time in the hand. */
export type Screen = 'wide' | 'upright' | 'hand';

export const WIDE = '@media (min-width: 1000px)';
export const NARROW = '@media (max-width: 999px)';
export const HAND = '@media (max-width: 639px)';
/** Where places and the rest do not fit in one line. */
export const TWO_LINES = '@media (max-width: 899px)';
/** Where fingers point, targets are as large as fingers. */
export const FINGERS = '@media (pointer: coarse)';
export const FINGER = 44; // px

const query = (media: string) => media.replace('@media ', '');

export function useScreen(): Screen {
  const wide = useMediaQuery(query(WIDE), { noSsr: true });
  const hand = useMediaQuery(query(HAND), { noSsr: true });
  return wide ? 'wide' : hand ? 'hand' : 'upright';
}
