import Box from '@mui/material/Box';
import type { JobFile, Size } from '../../api/gen/types.gen';
import { formatSize, type Unit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  job: JobFile;
  sizes: Size[];
  selected: string | undefined;
  onSelect: (key: string) => void;
}

interface Placed {
  key: string;
  x: number;
  y: number;
  wide: number;
  high: number;
}

const AIR = 9; // mm around the card, for its measures

/** The front of the card to scale, every layer in its stock's colour; what lies apart stands beside it. */
export function CardDrawing({ job, sizes, selected, onSelect }: Props) {
  const { unit } = job;
  const placed = placedOf(job, sizes);
  const wide = Math.max(...placed.map((one) => one.x + one.wide));
  const high = Math.max(...placed.map((one) => one.y + one.high));
  const colours = new Map((job.stocks ?? []).map((stock) => [stock.key, stock.colour]));
  const of = new Map(job.pieces.map((piece) => [piece.key, piece]));
  const scale = (wide + 2 * AIR) / 420;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={t('The card, to scale')}
      viewBox={`${-AIR} ${-AIR} ${wide + 2 * AIR} ${high + 2 * AIR}`}
      sx={{ width: '100%', maxHeight: 'calc(100vh - 190px)', display: 'block' }}
    >
      {placed.map(({ key, x, y, wide: w, high: h }) => {
        const piece = of.get(key);
        const open = piece?.kind === 'window';
        return (
          <g key={key} onClick={() => onSelect(key)} style={{ cursor: 'pointer' }} data-piece={key}>
            <title>{piece?.name}</title>
            {piece?.raised_mm ? (
              <rect x={x + 0.7} y={y + 0.9} width={w} height={h} fill={colour.ink} opacity={0.22} />
            ) : null}
            <rect
              x={x}
              y={y}
              width={w}
              height={h}
              fill={open ? colour.paper : (colours.get(piece?.stock ?? '') ?? colour.panel)}
              stroke={key === selected ? colour.accent : colour.ink}
              strokeWidth={(key === selected ? 2.4 : 0.8) * scale}
            />
            {piece?.relief_mm ? <Relief x={x} y={y} wide={w} high={h} scale={scale} /> : null}
            {key === selected && (
              <text
                x={x + w / 2}
                y={y + h / 2}
                textAnchor="middle"
                fontSize={13 * scale}
                fill={colour.ink}
                stroke={colour.panel}
                strokeWidth={3 * scale}
                paintOrder="stroke"
              >
                {`${formatSize(w, unit)} x ${formatSize(h, unit)}`}
              </text>
            )}
          </g>
        );
      })}
      {placed[0] && <Measures of={placed[0]} scale={scale} unit={unit} />}
    </Box>
  );
}

/** What is raised: light above, shade below, along a quiet inner line. */
function Relief({
  x,
  y,
  wide,
  high,
  scale,
}: {
  x: number;
  y: number;
  wide: number;
  high: number;
  scale: number;
}) {
  const inner = Math.min(wide, high) * 0.14;
  return (
    <g fill="none" strokeWidth={2 * scale} pointerEvents="none">
      <rect
        x={x + inner}
        y={y + inner}
        width={wide - 2 * inner}
        height={high - 2 * inner}
        rx={inner}
        stroke="#fff"
        opacity={0.8}
      />
      <rect
        x={x + inner + scale}
        y={y + inner + 1.4 * scale}
        width={wide - 2 * inner}
        height={high - 2 * inner}
        rx={inner}
        stroke={colour.ink}
        opacity={0.3}
      />
    </g>
  );
}

/** The finished card's own width and height, beside it. */
function Measures({ of, scale, unit }: { of: Placed; scale: number; unit: Unit }) {
  return (
    <g fontSize={11.5 * scale} fill={colour.quiet} textAnchor="middle" pointerEvents="none">
      <text x={of.x + of.wide / 2} y={of.y - 3}>
        {formatSize(of.wide, unit)}
      </text>
      <text transform={`translate(${of.x - 3} ${of.y + of.high / 2}) rotate(-90)`}>
        {formatSize(of.high, unit)}
      </text>
    </g>
  );
}

/** Where each piece is seen, in millimetres from the card's upper left; a piece comes after what it lies on. */
function placedOf(job: JobFile, sizes: Size[]): Placed[] {
  const size = new Map(sizes.map((one) => [one.key, one]));
  const found = new Map<string, Placed>();
  let beside = 0;
  const put = (key: string, x: number, y: number) => {
    const own = size.get(key);
    if (!own || found.has(key)) return;
    found.set(key, { key, x, y, wide: own.width_mm, high: own.height_mm });
    for (const above of job.pieces.filter((piece) => piece.on === key)) {
      const inner = size.get(above.key);
      if (inner) put(above.key, x + inner.left_mm, y + inner.top_mm);
    }
  };
  for (const root of job.pieces.filter((piece) => !piece.on)) {
    put(root.key, beside, 0);
    beside = Math.max(...[...found.values()].map((one) => one.x + one.wide)) + AIR;
  }
  return [...found.values()];
}
