import { BLADE_STATES } from '../sandwich/traits.gen';
import { colour } from '../theme/tokens';

/** What became of the sheet under a blade: how it is told and drawn, in the order in which the core numbers it. */
const TOLD: Record<string, [string, string]> = {
  untouched: ['untouched', colour.bladeUntouched],
  line: ['line only', colour.bladeLine],
  'part cut': ['part cut', colour.bladePart],
  cut: ['cut through', colour.bladeThrough],
};

export const bladeStates = BLADE_STATES.map((state) => {
  const [words, tone] = TOLD[state] ?? [state, colour.quiet];
  return { words, tone };
});
