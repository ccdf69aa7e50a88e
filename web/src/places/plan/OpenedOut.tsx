import type { Size } from '../../api/gen/types.gen';
import { figure, type Unit } from '../../words/figures';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const WIDE = 230; // px
const HIGH = 250;

/** A folded piece laid flat: its size as it is cut, its score lines with their places, and how the grain runs. */
export function OpenedOut({ size, unit }: { size: Size; unit: Unit }) {
  const { cut_width_mm: wide, cut_height_mm: high, upright } = size;
  const scores = [
    ...size.scores_mm.map((at) => ({ at, upright })),
    ...size.crossing_mm.map((at) => ({ at, upright: !upright })),
  ];
  const scale = Math.max(wide / WIDE, high / HIGH);
  const small = 11.5 * scale;
  return (
    <svg
      role="img"
      aria-label={t('{piece} laid flat', { piece: size.name })}
      width={(wide + 20 * scale) / scale}
      height={(high + 34 * scale) / scale}
      viewBox={`${-10 * scale} ${-16 * scale} ${wide + 20 * scale} ${high + 34 * scale}`}
    >
      <rect width={wide} height={high} fill={colour.panel} stroke={colour.ink} strokeWidth={scale} />
      {scores.map(({ at, upright }) => (
        <g key={`${upright} ${at}`}>
          <line
            x1={upright ? at : 0}
            x2={upright ? at : wide}
            y1={upright ? 0 : at}
            y2={upright ? high : at}
            stroke={colour.accent}
            strokeWidth={1.4 * scale}
            strokeDasharray={`${6 * scale} ${4 * scale}`}
          />
          <text
            x={upright ? at : wide / 2}
            y={upright ? -4 * scale : at - 4 * scale}
            fontSize={small}
            textAnchor="middle"
            fill={colour.accent}
          >
            {figure(at, 'marked', unit)}
          </text>
        </g>
      ))}
      <text x={wide / 2} y={high + 13 * scale} fontSize={small} textAnchor="middle" fill={colour.quiet}>
        {`${figure(wide, 'marked', unit)} x ${figure(high, 'marked', unit)}`}
      </text>
    </svg>
  );
}
