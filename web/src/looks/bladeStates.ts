import { BLADE_STATES } from '../sandwich/traits.gen';
import { colour } from '../theme/tokens';
import { t } from '../words/words';

/** What became of the sheet under a blade: how it is told and drawn, in the order in which the core numbers it. */
const TOLD: Record<string, [string, string]> = {
  untouched: [t('untouched'), colour.bladeUntouched],
  line: [t('line only'), colour.bladeLine],
  'part cut': [t('part cut'), colour.bladePart],
  cut: [t('cut through'), colour.bladeThrough],
};

export const bladeStates = BLADE_STATES.map((state) => {
  const [words, tone] = TOLD[state] ?? [state, colour.quiet];
  return { words, tone };
});
