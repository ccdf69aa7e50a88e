import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { FeedTrace, Sandwich } from '../../api/gen/types.gen';
import { lyingQuery } from '../../api/queries';
import { useWidth } from '../../shared/useWidth';
import { colour, type } from '../../theme/tokens';
import { t } from '../../words/words';
import { roundUp } from '../nip/scale';
import { alongCrank } from './trace';

const HEIGHT = 130;
const TOP = 16;
const BASE = HEIGHT - 18;

interface Props {
  sandwich: Sandwich;
  trace: Pick<FeedTrace, 'position_mm' | 'force_n'>;
}

/** What a motor took along the feed, over what was computed (dashed). */
export function TraceChart({ sandwich, trace }: Props) {
  const [frame, width] = useWidth(640);
  const crank = useQuery(lyingQuery(sandwich)).data?.crank;
  if (!crank) return <Box ref={frame} sx={{ height: HEIGHT }} />;
  const measured = alongCrank(trace, crank);
  const peak = Math.max(0, ...trace.force_n);
  const top = roundUp(Math.max(peak, crank.handle_peak_n, 1));
  const places = [...crank.x_mm, ...measured.map(([x]) => x)];
  const x = scaleLinear([Math.min(...places), Math.max(...places)], [0, width]);
  const y = scaleLinear([0, top], [BASE, TOP]);
  const drawn = line(
    ([place]) => x(place),
    ([, force]) => y(force),
  );
  const computed = crank.x_mm.map((place, n): [number, number] => [place, crank.handle_n[n] ?? 0]);
  const text = { fontFamily: type.text, fontSize: 12, fill: colour.quiet };
  return (
    <Box ref={frame}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={t('Force along the feed: measured peak {measured} newton, computed {computed} newton', {
          measured: peak.toFixed(0),
          computed: crank.handle_peak_n.toFixed(0),
        })}
      >
        <path d={`M0 ${BASE}H${width}`} stroke={colour.hairline} />
        <path d={drawn(computed) ?? ''} stroke={colour.quiet} strokeDasharray="5 4" fill="none" />
        <path
          data-testid="trace"
          d={drawn(measured) ?? ''}
          stroke={colour.accent}
          strokeWidth={2}
          fill="none"
        />
        <text {...text} x={2} y={12}>
          {top} N
        </text>
        <text {...text} x={width} y={HEIGHT - 4} textAnchor="end">
          {t('measured (solid) and computed (dashed), along the feed')}
        </text>
      </svg>
    </Box>
  );
}
