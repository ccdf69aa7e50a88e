import Box from '@mui/material/Box';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { JobFile, PieceFile, Size } from '../../api/gen/types.gen';
import { figure, type Unit } from '../../words/figures';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { usePointerDrag } from '../../shared/usePointerDrag';
import { Edges } from './Edges';
import { bordersFile, bordersOf, movedBy, placedOf, STEP, type Borders, type Placed } from './placed';
import { PressedRelief } from './PressedRelief';
import { pilesIn, sizeText, withBorder } from './job';

interface Props {
  job: JobFile;
  sizes: Size[];
  /** True while the sizes are still those of before the last change. */
  stale: boolean;
  selected: string | undefined;
  onSelect: (key: string) => void;
  onChange: (job: JobFile) => void;
  onResize: (key: string, size: string) => void;
}

const AIR = 9; // mm around the card, for its measures

/** The front of the card to scale, every layer in its stock's colour and with its relief; what lies apart stands beside it. */
export function CardDrawing({ job, sizes, stale, selected, onSelect, onChange, onResize }: Props) {
  const { unit } = job;
  const size = new Map(sizes.map((one) => [one.key, one]));
  const placed = placedOf(job, size);
  const wide = Math.max(...placed.map((one) => one.x + one.wide));
  const high = Math.max(...placed.map((one) => one.y + one.high));
  const colours = new Map((job.stocks ?? []).map((stock) => [stock.key, stock.colour]));
  const of = new Map(job.pieces.map((piece) => [piece.key, piece]));
  const scale = (wide + 2 * AIR) / 420;
  const hand = placed.find((one) => one.key === selected);
  const held = selected ? of.get(selected) : undefined;
  const borders = held && bordersOf(held, size);
  const last = useRef<{ key: string; borders: Borders }>(undefined);
  /** As they are after what was typed last, though its sizes may not be back yet. */
  const bordersNow = () => (stale && last.current?.key === selected ? last.current?.borders : borders);
  const border = (next: Borders) => {
    const file = bordersFile(next, unit);
    if (held && file) last.current = { key: held.key, borders: next };
    if (held && file) onChange(withBorder(job, size, held.key, file));
  };
  const [moved, setMoved] = useState<Borders>();
  const begin = usePointerDrag<Grip>({
    move: (event, { x, y, perPixel, from }) =>
      setMoved(movedBy(from, (event.clientX - x) * perPixel, (event.clientY - y) * perPixel, STEP[unit])),
    end: (keep, { from }) => {
      setMoved(undefined);
      if (keep && moved && (moved.left !== from.left || moved.top !== from.top)) border(moved);
    },
  });
  const grip = (event: PointerEvent<SVGGElement>) => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM();
    const from = bordersNow();
    if (matrix && from) begin(event, { x: event.clientX, y: event.clientY, perPixel: 1 / matrix.a, from });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const next = keyed(event, bordersNow(), STEP[unit]);
    if (next) border(next);
    const way = { ',': -1, '.': 1 }[event.key];
    const key = way && job.pieces[job.pieces.findIndex((piece) => piece.key === selected) + way]?.key;
    if (key) onSelect(key);
    if (next || key) event.preventDefault();
  };
  return (
    <Box>
      <Box
        component="svg"
        role="img"
        tabIndex={0}
        aria-label={t('The card, to scale')}
        viewBox={`${-AIR} ${-AIR} ${wide + 2 * AIR} ${high + 2 * AIR}`}
        onKeyDown={onKeyDown}
        sx={{ width: '100%', maxHeight: 'calc(100vh - 214px)', display: 'block' }}
      >
        {placed.map((at, n) => (
          <OnePiece
            key={n}
            at={at}
            piece={of.get(at.key)}
            tint={colours.get(of.get(at.key)?.stock ?? '')}
            scale={scale}
            unit={unit}
            selected={at.key === selected}
            onSelect={() => onSelect(at.key)}
            onGrip={at.key === selected && borders ? grip : undefined}
          />
        ))}
        {hand && borders && moved && <Moved at={hand} from={borders} to={moved} scale={scale} unit={unit} />}
        {placed[0] && <Measures of={placed[0]} scale={scale} unit={unit} />}
        {hand && (
          <Edges
            at={hand}
            scale={scale}
            unit={unit}
            borders={borders}
            onBorders={border}
            onSize={(w, h) => onResize(hand.key, sizeText(w, h, unit))}
          />
        )}
      </Box>
      <Box sx={{ color: colour.quiet, fontSize: 13, textAlign: 'center' }}>
        {t('Drag a layer or an edge. On the keyboard: , . choose, arrows move, Shift and arrows resize.')}
      </Box>
    </Box>
  );
}

/** Where a drag of a whole piece began. */
interface Grip {
  x: number;
  y: number;
  /** Millimetres. */
  perPixel: number;
  from: Borders;
}

interface MovedProps {
  at: Placed;
  from: Borders;
  to: Borders;
  scale: number;
  unit: Unit;
}

/** Where the piece would come to lie, and how wide its borders on the left and above would be; a line through it where it is in the middle. */
function Moved({ at, from, to, scale, unit }: MovedProps) {
  const [x, y] = [at.x + to.left - from.left, at.y + to.top - from.top];
  const line = { stroke: colour.accent, strokeWidth: scale, strokeDasharray: `${2 * scale} ${3 * scale}` };
  const [middle, centre] = [x + at.wide / 2, y + at.high / 2];
  return (
    <g pointerEvents="none">
      <rect x={x} y={y} width={at.wide} height={at.high} fill="none" {...line} strokeWidth={2 * scale} />
      {to.left === to.right && <line x1={middle} x2={middle} y1={y} y2={y + at.high} {...line} />}
      {to.top === to.bottom && <line x1={x} x2={x + at.wide} y1={centre} y2={centre} {...line} />}
      <text
        x={middle}
        y={y - 4 * scale}
        fontSize={14 * scale}
        fontWeight={700}
        textAnchor="middle"
        fill={colour.accent}
        stroke={colour.panel}
        strokeWidth={4 * scale}
        paintOrder="stroke"
      >
        {t('left {left}, top {top}', {
          left: figure(to.left, 'marked', unit),
          top: figure(to.top, 'marked', unit),
        })}
      </text>
    </g>
  );
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Borders after a key: an arrow moves the piece, with Shift it makes the piece wider and narrower, taller and lower. */
function keyed(event: KeyboardEvent, borders: Borders | undefined, step: number): Borders | undefined {
  const arrow = ARROWS[event.key];
  if (!arrow || !borders) return undefined;
  const [dx, dy] = [arrow[0] * step, arrow[1] * step];
  const { left, right, top, bottom } = borders;
  return event.shiftKey
    ? { left: left - dx, right: right - dx, top: top + dy, bottom: bottom + dy }
    : { left: left + dx, right: right - dx, top: top + dy, bottom: bottom - dy };
}

interface PieceProps {
  at: Placed;
  piece: PieceFile | undefined;
  tint: string | undefined;
  scale: number;
  unit: Unit;
  selected: boolean;
  onSelect: () => void;
  /** Begins to move it; none of what lies apart, or is not in hand. */
  onGrip: ((event: PointerEvent<SVGGElement>) => void) | undefined;
}

function OnePiece({ at, piece, tint, scale, unit, selected, onSelect, onGrip }: PieceProps) {
  const { x, y, wide, high } = at;
  const [pile] = piece ? pilesIn(piece) : [];
  return (
    <g
      onClick={onSelect}
      onPointerDown={onGrip}
      style={{ cursor: onGrip ? 'move' : 'pointer', touchAction: onGrip ? 'none' : undefined }}
      data-piece={at.key}
    >
      <title>{piece?.name}</title>
      {piece?.raised_mm ? (
        <rect x={x + 0.7} y={y + 0.9} width={wide} height={high} fill={colour.ink} opacity={0.22} />
      ) : null}
      <rect
        x={x}
        y={y}
        width={wide}
        height={high}
        fill={
          piece?.kind === 'liner' ? 'none' : piece?.kind === 'window' ? colour.paper : (tint ?? colour.panel)
        }
        pointerEvents="all"
      />
      {pile && <PressedRelief pile={pile} tint={tint} at={at} />}
      {piece?.fold === 'envelope' && (
        <polyline
          points={`${x},${y} ${x + wide * 0.14},${y + high / 2} ${x + wide * 0.86},${y + high / 2} ${x + wide},${y}`}
          fill="none"
          stroke={colour.quiet}
          strokeWidth={0.8 * scale}
        />
      )}
      <rect
        x={x}
        y={y}
        width={wide}
        height={high}
        fill="none"
        stroke={selected ? colour.accent : colour.ink}
        strokeWidth={(selected ? 2.4 : 0.8) * scale}
        strokeDasharray={piece?.kind === 'liner' ? `${4 * scale} ${4 * scale}` : undefined}
      />
      {selected && (
        <text
          x={x + wide / 2}
          y={y + high / 2}
          textAnchor="middle"
          fontSize={13 * scale}
          fill={colour.ink}
          stroke={colour.panel}
          strokeWidth={3 * scale}
          paintOrder="stroke"
        >
          {`${figure(wide, 'marked', unit)} x ${figure(high, 'marked', unit)}`}
        </text>
      )}
    </g>
  );
}

/** The finished card's own width and height, beside it. */
function Measures({ of, scale, unit }: { of: Placed; scale: number; unit: Unit }) {
  return (
    <g fontSize={11.5 * scale} fill={colour.quiet} textAnchor="middle" pointerEvents="none">
      <text x={of.x + of.wide / 2} y={of.y - 3}>
        {figure(of.wide, 'marked', unit)}
      </text>
      <text transform={`translate(${of.x - 3} ${of.y + of.high / 2}) rotate(-90)`}>
        {figure(of.high, 'marked', unit)}
      </text>
    </g>
  );
}
