import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { Crank, Press } from '../../api/gen/types.gen';
import { colour, type } from '../../theme/tokens';
import { roundUp } from '../nip/scale';
import type { BedScale } from './bedScale';
import { useFeedChoices } from './feedChoices';
import { useLineDrag } from './useLineDrag';
import { t } from '../../words/words';

const HEIGHT = 92;
const TOP = 12;
const BASE = HEIGHT - 4;

interface Props {
  crank: Crank;
  better: Crank | null | undefined;
  bed: BedScale;
  at: number;
  onAt: (mm: number) => void;
  drive: Press['drive'];
}

/** Load along the crank, in step with the bed above it; dashed, the load of the recommended place. */
export function CrankChart({ crank, better, bed, at, onAt, drive }: Props) {
  const atHandle = useFeedChoices((choices) => choices.load === 'at the handle');
  const forces = (trace: Crank) => (atHandle ? trace.handle_n : trace.force_n);
  const followLine = useLineDrag(bed, onAt);
  const peak = (trace: Crank) => (atHandle ? trace.handle_peak_n : trace.peak_n);
  const per = atHandle ? 1 : 1000;
  const top = roundUp(Math.max(peak(crank), better ? peak(better) : 0, 1) / per);
  const y = scaleLinear([0, top * per], [BASE, TOP]);
  const load = (trace: Crank) => (_: number, n: number) => y(forces(trace)[n] ?? 0);
  const drawn = (trace: Crank) => line<number>(bed.x, load(trace))(trace.x_mm) ?? '';
  const text = { fontFamily: type.text, fontSize: 11, fill: colour.quiet };
  const peakAt = crank.x_mm[forces(crank).indexOf(Math.max(...forces(crank)))] ?? 0;
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${bed.width} ${HEIGHT}`}
      role="img"
      aria-label={t('Load along the crank: peak {peak} kilonewton, {handle} newton at the {part}', {
        peak: (crank.peak_n / 1000).toFixed(2),
        handle: crank.handle_peak_n.toFixed(0),
        part: drive.kind === 'motor' ? t('motor') : t('handle'),
      })}
      sx={{ display: 'block', width: bed.width, height: HEIGHT, cursor: 'ew-resize', touchAction: 'none' }}
      onPointerDown={followLine}
    >
      <path d={area<number>(bed.x, BASE, load(crank))(crank.x_mm) ?? ''} fill={colour.accentWash} />
      <path data-testid="load" d={drawn(crank)} stroke={colour.accent} strokeWidth={1.6} fill="none" />
      {better && (
        <path d={drawn(better)} stroke={colour.ink} strokeWidth={1} strokeDasharray="5 3" fill="none" />
      )}
      {atHandle && drive.comfort_n < top && (
        <path d={`M0 ${y(drive.comfort_n)}H${bed.width}`} stroke={colour.warn} strokeDasharray="2 4">
          <title>{t('Up to {comfort} N is easy', { comfort: drive.comfort_n })}</title>
        </path>
      )}
      <path d={`M0 ${BASE}H${bed.width}`} stroke={colour.hairline} />
      <path d={`M${bed.x(at)} 0V${HEIGHT}`} stroke={colour.ink} strokeDasharray="6 4" />
      <circle cx={bed.x(peakAt)} cy={y(peak(crank))} r={2.6} fill={colour.accent} />
      <text {...text} x={2} y={10}>
        {top} {atHandle ? 'N' : t('kN')}
      </text>
      <text {...text} x={2} y={BASE - 3}>
        0
      </text>
    </Box>
  );
}
