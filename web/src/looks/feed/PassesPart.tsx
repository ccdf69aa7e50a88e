import Box from '@mui/material/Box';
import type { Passes } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { bladeStates } from '../bladeStates';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

const SIDE = 124; // px
const MOST_HIGH = 104; // px

/** An intricate cut in two passes, side by side: what is through after each. */
export function PassesPart({ passes }: { passes: Passes | null | undefined }) {
  const read = useWords();
  if (passes === undefined) return <Box sx={{ color: colour.quiet }}>{t('Going over the blade …')}</Box>;
  if (passes === null)
    return (
      <Box sx={{ color: colour.quiet }}>{t("No die cuts here, so there's nothing to go over twice.")}</Box>
    );
  const turn = passes.turn_by_deg;
  return (
    <Box sx={{ display: 'flex', gap: 3 }}>
      <Run title={t('after the first pass')} run={passes.first_run} share={passes.once} />
      <Run
        title={
          turn === null
            ? t('after two the same way')
            : t('second turned by {turn}°', { turn: turn.toFixed(0) })
        }
        run={passes.both_runs}
        share={turn === null ? passes.again : passes.moved}
      />
      <Box sx={{ fontSize: 13.5 }}>
        <Box data-testid="passes-says">{read(passes.says)}</Box>
        <Box sx={{ display: 'flex', gap: '12px', marginTop: '6px', fontSize: 12.5 }}>
          {bladeStates.map(({ words, tone }) => (
            <span key={words}>
              <span style={{ color: tone }}>●</span> {words}
            </span>
          ))}
        </Box>
        <Box sx={{ color: colour.quiet, fontSize: 12.5, marginTop: '4px' }}>
          {t(
            'Each millimeter of blade shares the load with the others between the rollers. You never need a third pass.',
          )}
        </Box>
      </Box>
    </Box>
  );
}

function Run({ title, run, share }: { title: string; run: Passes['first_run']; share: number }) {
  const xs = run.at_mm.map(([x]) => x);
  const ys = run.at_mm.map(([, y]) => y);
  const [left, top] = [Math.min(...xs), -Math.max(...ys)];
  const [wide, high] = [Math.max(...xs) - left + 4, -Math.min(...ys) - top + 4];
  const dots = (state: number) =>
    run.at_mm
      .filter((_, n) => run.state[n] === state)
      .map(([x, y]) => `M${x} ${-y}h0.01`)
      .join('');
  return (
    <Box component="figure" sx={{ margin: 0, fontSize: 12.5, width: SIDE }}>
      <svg
        viewBox={`${left - 2} ${top - 2} ${wide} ${high}`}
        width={SIDE}
        height={Math.min((SIDE * high) / wide, MOST_HIGH)}
        role="img"
        aria-label={t('{title}: {share} % of the blade through', { title, share: (100 * share).toFixed(0) })}
      >
        {bladeStates.map(({ words, tone }, state) => (
          <path key={words} d={dots(state)} stroke={tone} strokeWidth={1.4} strokeLinecap="round" />
        ))}
      </svg>
      <figcaption>
        {title}: <b>{t('{share} %', { share: (100 * share).toFixed(0) })}</b>
      </figcaption>
    </Box>
  );
}
