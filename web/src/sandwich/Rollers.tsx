import { colour } from '../theme/tokens';
import { VIEW, type Drawing } from './geometry';

interface Props {
  drawing: Drawing;
  radius: number;
  trueScale: boolean;
}

/** Both rollers at their true opening; stretched like the stack, so that they are cut off by a break line. */
export function Rollers({ drawing, radius, trueScale }: Props) {
  const middle = VIEW.left + VIEW.stack / 2;
  if (trueScale) {
    const r = radius * drawing.scale;
    return (
      <g fill="url(#hatch-roller)" stroke={colour.ink} strokeWidth={0.9}>
        <circle cx={middle} cy={drawing.ceiling - r} r={r} />
        <circle cx={middle} cy={drawing.floor + r} r={r} />
      </g>
    );
  }
  return (
    <g>
      <Bow at={drawing.ceiling} sign={-1} limit={34} />
      <Bow at={drawing.floor} sign={1} limit={VIEW.height - 30} />
    </g>
  );
}

/** A roller's near side: a bow that touches `at`, ended by a wavy break at `limit`. */
function Bow({ at, sign, limit }: { at: number; sign: 1 | -1; limit: number }) {
  const half = VIEW.stack / 2 + 22;
  const middle = VIEW.left + VIEW.stack / 2;
  const depth = Math.max((limit - at) * sign, 10);
  const shoulder = at + sign * Math.min(depth * 0.8, 52);
  const end = at + sign * depth;
  const [left, right] = [middle - half, middle + half];
  const wave = `C${right - half * 0.5} ${end - 8} ${left + half * 0.5} ${end + 8} ${left} ${end}`;
  const bow = `M${left} ${shoulder}Q${middle} ${at - (shoulder - at)} ${right} ${shoulder}`;
  return (
    <g>
      <path d={`${bow}L${right} ${end}${wave}Z`} fill="url(#hatch-roller)" />
      <path d={bow} fill="none" stroke={colour.ink} strokeWidth={1.1} />
      <path d={`M${right} ${end}${wave}`} fill="none" stroke={colour.metalDeep} strokeWidth={1} />
    </g>
  );
}
