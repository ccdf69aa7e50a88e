import { colour } from '../theme/tokens';
import { VIEW, type Drawing } from './geometry';

const MIDDLE = VIEW.left + VIEW.stack / 2;
const HALF = VIEW.stack / 2 + 22;
const [LEFT, RIGHT] = [MIDDLE - HALF, MIDDLE + HALF];
const UPPER_BREAK = 30;
const LOWER_BREAK = VIEW.height - 30;

interface Props {
  drawing: Drawing;
  radius: number;
  trueScale: boolean;
}

/** Both rollers at their true opening; stretched like the stack, so that they are cut off by a break line. */
export function Rollers({ drawing, radius, trueScale }: Props) {
  if (trueScale) {
    const r = radius * drawing.scale;
    return (
      <g fill="url(#hatch-roller)" stroke={colour.ink} strokeWidth={0.9}>
        <circle cx={MIDDLE} cy={drawing.ceiling - r} r={r} />
        <circle cx={MIDDLE} cy={drawing.floor + r} r={r} />
      </g>
    );
  }
  return (
    <g>
      <RollerBody at={drawing.ceiling} sign={-1} limit={UPPER_BREAK} />
      <RollerBody at={drawing.floor} sign={1} limit={LOWER_BREAK} />
    </g>
  );
}

/** The rollers' edges once more, over the stack, so that an overlap shows as one. */
export function RollerEdges({ drawing, trueScale }: Omit<Props, 'radius'>) {
  if (trueScale) return null;
  return (
    <g fill="none" stroke={colour.ink} strokeWidth={1.1} pointerEvents="none">
      <path d={bow(drawing.ceiling, -1, UPPER_BREAK)} />
      <path d={bow(drawing.floor, 1, LOWER_BREAK)} />
    </g>
  );
}

function depthOf(at: number, sign: 1 | -1, limit: number): number {
  return Math.max((limit - at) * sign, 24);
}

/** A roller's near side: a bow that touches `at` and goes away from the stack towards both sides. */
function bow(at: number, sign: 1 | -1, limit: number): string {
  const rise = sign * Math.min(depthOf(at, sign, limit) * 0.7, 46);
  return `M${LEFT} ${at + rise}Q${MIDDLE} ${at - rise} ${RIGHT} ${at + rise}`;
}

function RollerBody({ at, sign, limit }: { at: number; sign: 1 | -1; limit: number }) {
  const end = at + sign * depthOf(at, sign, limit);
  const wave = `C${RIGHT - HALF * 0.5} ${end - 8} ${LEFT + HALF * 0.5} ${end + 8} ${LEFT} ${end}`;
  return (
    <g>
      <path d={`${bow(at, sign, limit)}L${RIGHT} ${end}${wave}Z`} fill="url(#hatch-roller)" />
      <path d={`M${RIGHT} ${end}${wave}`} fill="none" stroke={colour.metalDeep} strokeWidth={1} />
    </g>
  );
}
