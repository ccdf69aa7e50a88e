import { colour } from '../theme/tokens';
import { HATCHES, TILE } from './hatching.gen';

export const hatchId = (material: string) => `hatch-${material.replace(' ', '-')}`;

/** The hatch patterns of all materials, by which they are told apart without colour; to be put into an SVG once. */
export function HatchPatterns() {
  return (
    <defs>
      {Object.entries(HATCHES).map(([material, { fill, stroke, width, lines, dash, dots }]) => (
        <pattern
          key={material}
          id={hatchId(material)}
          width={TILE}
          height={TILE}
          patternUnits="userSpaceOnUse"
        >
          <rect width={TILE} height={TILE} fill={fill} />
          <path
            d={lines.map((line) => `M${line.map((point) => point.join(' ')).join('L')}`).join('')}
            stroke={stroke}
            strokeWidth={width}
            strokeDasharray={dash.join(' ') || undefined}
            fill="none"
          />
          {dots.map(([x, y, r]) => (
            <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill={stroke} />
          ))}
        </pattern>
      ))}
      <pattern id="hatch-roller" width={7} height={7} patternUnits="userSpaceOnUse">
        <rect width={7} height={7} fill={colour.metal} />
        <path d="M-1 8L8 -1M-1 1L1 -1M6 8L8 6" stroke={colour.metalDeep} strokeWidth={0.7} />
      </pattern>
    </defs>
  );
}
