import type { Outcome, Seen } from '../api/types';
import { OUTCOMES, OUTCOMES_OF, SEEN, SEEN_OF } from '../sandwich/traits.gen';
import { term } from '../words/words';

/** What came out of a run, in the words of its effect where that is known. */
export function outcomeWords(outcome: Outcome, effect?: string): string {
  return term((effect && OUTCOMES_OF[effect]?.[outcome]) ?? OUTCOMES[outcome]);
}

/** What is asked at the end of a run of an effect; their order is that of the keys 1 to 9. */
export function askedOf(effect: string): Outcome[] {
  return Object.keys(OUTCOMES_OF[effect] ?? OUTCOMES) as Outcome[];
}

/** Every outcome in words, to choose from. */
export const allOutcomes = (): Record<Outcome, string> =>
  Object.fromEntries(Object.entries(OUTCOMES).map(([outcome, text]) => [outcome, term(text)])) as Record<
    Outcome,
    string
  >;

/** What was seen on the way, in words. */
export const seenWords = (seen: Seen): string => term(SEEN[seen]);

/** What can be seen on the way with an effect; their order is that of the keys. */
export const seenOf = (effect: string): Seen[] => SEEN_OF[effect] ?? (Object.keys(SEEN) as Seen[]);
