import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Assessment, Press } from '../../api/gen/types.gen';
import { formatSize, useUnit } from '../../shared/units';
import { colour, type } from '../../theme/tokens';
import { roundUp } from './scale';
import { t } from '../../words/words';

const WIDTH = 600;
const HEIGHT = 104;
const LEFT = 46;
const BASE = HEIGHT - 8;

interface Props {
  trace: Assessment['trace'];
  drive: Press['drive'];
  /** Which force is drawn: what a hand feels, or what the rollers bear. */
  of: 'handle' | 'rollers';
}

/** The load along the crank, and what it takes at the handle. */
export function LoadTrace({ trace, drive, of }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const [first, last] = [trace.x_mm[0] ?? 0, trace.x_mm.at(-1) ?? 1];
  const [forces, per] = of === 'handle' ? [trace.handle_n, 1] : [trace.force_n, 1000];
  const peak = Math.max(...forces, 1);
  const top = roundUp(peak / per);
  const x = scaleLinear([first, last], [LEFT, WIDTH - 8]);
  const y = scaleLinear([0, top * per], [BASE, 14]);
  const load = (n: number) => y(forces[n] ?? 0);
  const handle = Math.max(...trace.handle_n, 0);
  const text = { fontFamily: type.text, fontSize: 11.5, fill: colour.quiet };
  return (
    <Box sx={{ maxWidth: WIDTH, marginTop: 1, color: colour.quiet, fontSize: 12.5 }}>
      <Box
        component="svg"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={
          of === 'handle'
            ? t('Load along the crank, at most {handle} newton', { handle: handle.toFixed(0) })
            : t('Load along the crank, peak {peak} kilonewton', { peak: (peak / 1000).toFixed(1) })
        }
        sx={{ width: '100%', display: 'block' }}
      >
        <path d={`M${LEFT} 14V${BASE}H${WIDTH - 8}`} stroke={colour.hairline} fill="none" />
        <path d={area<number>(x, BASE, (_, n) => load(n))(trace.x_mm) ?? ''} fill={colour.accentWash} />
        {of === 'handle' && drive.comfort_n < top && (
          <path d={`M${LEFT} ${y(drive.comfort_n)}H${WIDTH - 8}`} stroke={colour.warn} strokeDasharray="2 4">
            <title>{t('Up to {comfort} N is easy', { comfort: drive.comfort_n })}</title>
          </path>
        )}
        <path
          d={line<number>(x, (_, n) => load(n))(trace.x_mm) ?? ''}
          stroke={colour.accent}
          strokeWidth={1.6}
          fill="none"
        />
        <text {...text} x={LEFT - 6} y={18} textAnchor="end">
          {of === 'handle' ? t('{force} N', { force: top }) : t('{top} kN', { top })}
        </text>
        <text {...text} x={LEFT - 6} y={BASE + 4} textAnchor="end">
          0
        </text>
      </Box>
      {t('Load along the crank, {first} to {last} from the middle of the bed. At most {handle} N at the', {
        first: formatSize(first, unit),
        last: formatSize(last, unit),
        handle: handle.toFixed(0),
      })}{' '}
      {drive.kind === 'motor' ? t('motor') : t('handle')}
      {t('; {comfort} N is easy, {limit} N the limit.', {
        comfort: drive.comfort_n.toFixed(0),
        limit: drive.limit_n.toFixed(0),
      })}
    </Box>
  );
}
