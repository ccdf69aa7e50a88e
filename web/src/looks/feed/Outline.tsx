import type { Shape as BedShape } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { ringsPath, type BedScale } from './bedScale';

const FILL: Record<BedShape['role'], { fill: string; opacity: number; dash?: string }> = {
  plate: { fill: colour.metal, opacity: 0.18 },
  mat: { fill: colour.metalDeep, opacity: 0.18, dash: '2 3' },
  tool: { fill: colour.accentWash, opacity: 0.35 },
  sheet: { fill: '#ffffff', opacity: 0.55 },
  mask: { fill: colour.metalDeep, opacity: 0.25 },
  shim: { fill: '#ffffff', opacity: 0.1, dash: '5 3' },
};

interface Props {
  shape: BedShape;
  bed: BedScale;
  clear?: boolean;
  /** The colour of a sheet. */
  tint?: string | undefined;
}

/** One layer from above, with its blade; `clear` lets the wear below show through. */
export function Outline({ shape, bed, clear = false, tint }: Props) {
  const look = FILL[shape.role];
  return (
    <g>
      <path
        d={ringsPath(shape.rings_mm, bed)}
        fill={tint ?? look.fill}
        fillOpacity={clear ? 0.08 : tint ? Math.max(look.opacity, 0.4) : look.opacity}
        fillRule="evenodd"
        stroke={shape.role === 'tool' ? colour.accent : colour.quiet}
        strokeWidth={shape.role === 'tool' ? 1.4 : 0.8}
        strokeDasharray={look.dash}
      >
        <title>{shape.name}</title>
      </path>
      {shape.blade_mm.length > 0 && (
        <path d={ringsPath(shape.blade_mm, bed, false)} fill="none" stroke={colour.ink} strokeWidth={1} />
      )}
    </g>
  );
}
