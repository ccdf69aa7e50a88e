import { useState, type PointerEvent } from 'react';
import { figure, type Unit } from '../../words/figures';
import { colour } from '../../theme/tokens';
import { SIDES, STEP, type Borders, type Placed, type Side } from './placed';

interface Props {
  at: Placed;
  /** Millimetres in a point of the screen. */
  scale: number;
  unit: Unit;
  /** Borders around it; none of what lies apart, whose right and lower edge move it as a whole. */
  borders: Borders | undefined;
  onBorders: (borders: Borders) => void;
  onSize: (wide: number, high: number) => void;
}

const REACH = 24; // px on which an edge is caught
const OUTWARD: Record<Side, [number, number]> = {
  left: [-1, 0],
  right: [1, 0],
  top: [0, -1],
  bottom: [0, 1],
};

/** The edges of the piece in hand, to be dragged: its border follows, by marks that a trimmer shows. */
export function Edges({ at, scale, unit, borders, onBorders, onSize }: Props) {
  const [drag, setDrag] = useState<{ side: Side; from: number; out: number }>();
  const step = STEP[unit];
  const { x, y, wide, high } = at;
  const least = (side: Side) => -(side === 'left' || side === 'right' ? wide : high) + step;
  const most = (side: Side) => (borders ? borders[side] : 10_000);
  const place = (event: PointerEvent<SVGRectElement>, side: Side): number => {
    const matrix = event.currentTarget.getScreenCTM();
    const [dx, dy] = OUTWARD[side];
    return matrix ? (event.clientX * dx) / matrix.a + (event.clientY * dy) / matrix.d : 0;
  };
  const letGo = () => {
    if (drag && drag.out !== 0) {
      const { side, out } = drag;
      if (borders) onBorders({ ...borders, [side]: borders[side] - out });
      else onSize(wide + (side === 'right' ? out : 0), high + (side === 'bottom' ? out : 0));
    }
    setDrag(undefined);
  };
  const thick = REACH * scale;
  return (
    <g>
      {SIDES.filter((side) => borders !== undefined || side === 'right' || side === 'bottom').map((side) => {
        const upright = side === 'left' || side === 'right';
        const line = { left: x, right: x + wide, top: y, bottom: y + high }[side];
        const [reach, long] = [Math.min(thick, (upright ? wide : high) / 3), upright ? high : wide];
        const box = upright
          ? { x: line - reach / 2, y, width: reach, height: long }
          : { x, y: line - reach / 2, width: long, height: reach };
        return (
          <rect
            key={side}
            {...box}
            fill="transparent"
            data-edge={side}
            style={{ cursor: upright ? 'ew-resize' : 'ns-resize', touchAction: 'none' }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setDrag({ side, from: place(event, side), out: 0 });
            }}
            onPointerMove={(event) => {
              if (drag?.side !== side) return;
              const free = Math.round((place(event, side) - drag.from) / step) * step;
              setDrag({ ...drag, out: Math.min(Math.max(free, least(side)), most(side)) });
            }}
            onPointerUp={letGo}
            onPointerCancel={() => setDrag(undefined)}
          />
        );
      })}
      {drag && drag.out !== 0 && <Ghost at={at} drag={drag} borders={borders} scale={scale} unit={unit} />}
    </g>
  );
}

interface GhostProps {
  at: Placed;
  drag: { side: Side; out: number };
  borders: Borders | undefined;
  scale: number;
  unit: Unit;
}

/** Where the edge would come to lie, and how wide its border would be. */
function Ghost({ at: { x, y, wide, high }, drag: { side, out }, borders, scale, unit }: GhostProps) {
  const upright = side === 'left' || side === 'right';
  const line = { left: x - out, right: x + wide + out, top: y - out, bottom: y + high + out }[side];
  const told = borders ? borders[side] - out : (upright ? wide : high) + out;
  return (
    <g pointerEvents="none">
      <line
        x1={upright ? line : x}
        x2={upright ? line : x + wide}
        y1={upright ? y : line}
        y2={upright ? y + high : line}
        stroke={colour.accent}
        strokeWidth={2 * scale}
        strokeDasharray={`${5 * scale} ${3 * scale}`}
      />
      <text
        x={upright ? line : x + wide / 2}
        y={upright ? y + high / 2 : line - 4 * scale}
        fontSize={14 * scale}
        fontWeight={700}
        textAnchor="middle"
        fill={colour.accent}
        stroke={colour.panel}
        strokeWidth={4 * scale}
        paintOrder="stroke"
      >
        {figure(told, 'marked', unit)}
      </text>
    </g>
  );
}
