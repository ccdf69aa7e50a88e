import type { Outcome, Seen } from '../api/types';
import { t } from '../words/words';

/** What can come out, in words; their order is that of the keys 1 to 9. */
export const OUTCOMES: Record<Outcome, string> = {
  right: t('Just right'),
  faint: t('Faint'),
  nothing: t('Nothing happened'),
  'too hard': t('Too hard to turn'),
  cracked: t('It cracked'),
  'not cut': t('Not cut through'),
  'cut where it should not': t('Cut where it should not'),
  moved: t('It moved'),
  other: t('Something else'),
};

/** What can be seen on the way, in words. */
export const SEEN: Record<Seen, string> = {
  'too hard': t('Too hard to turn'),
  nothing: t('Nothing happened'),
  cracked: t('It cracked'),
  'not cut': t('Not cut through'),
  moved: t('It moved'),
};
