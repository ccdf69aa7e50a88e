import { colour } from '../theme/tokens';
import type { DrawnLayer } from './geometry';
import { hatchId } from './Hatching';
import { bodyOf, marksOf, pathText, type Shape } from './shapes';

interface Props {
  drawn: DrawnLayer;
  selected: boolean;
  flagged: boolean;
  lifted: boolean;
}

/** The body of one layer in section. */
export function LayerBody({ drawn, selected, flagged, lifted }: Props) {
  const edge = flagged ? colour.stop : selected ? colour.accent : colour.ink;
  return (
    <g opacity={lifted ? 0.55 : 1}>
      <Shapes shapes={bodyOf(drawn, edge, selected || flagged ? 1.8 : 0.9)} />
    </g>
  );
}

/** What a layer carries on its faces. */
export function LayerMarks({ drawn }: { drawn: DrawnLayer }) {
  return (
    <g pointerEvents="none">
      <Shapes shapes={marksOf(drawn)} />
    </g>
  );
}

function Shapes({ shapes }: { shapes: Shape[] }) {
  return shapes.map(({ path, fill, hatch, stroke, width, dash }, index) => (
    <path
      key={index}
      d={pathText(path)}
      fill={fill ?? (hatch ? `url(#${hatchId(hatch)})` : 'none')}
      stroke={stroke ?? 'none'}
      strokeWidth={width}
      strokeDasharray={dash.join(' ') || undefined}
    />
  ));
}
