import type { Outcome, Seen } from '../../api/types';

/** What can come out, in words; their order is that of the keys 1 to 9. */
export const OUTCOMES: Record<Outcome, string> = {
  right: 'Just right',
  faint: 'Faint',
  nothing: 'Nothing happened',
  'too hard': 'Too hard to turn',
  cracked: 'It cracked',
  'not cut': 'Not cut through',
  'cut where it should not': 'Cut where it should not',
  moved: 'It moved',
  other: 'Something else',
};

/** What can be seen on the way, in words. */
export const SEEN: Record<Seen, string> = {
  'too hard': 'Too hard to turn',
  nothing: 'Nothing happened',
  cracked: 'It cracked',
  'not cut': 'Not cut through',
  moved: 'It moved',
};
