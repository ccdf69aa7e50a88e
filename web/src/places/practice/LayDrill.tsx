import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, type PointerEvent } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Laying, Side, Spot } from '../../api/gen/types.gen';
import { Kbd } from '../../shared/Kbd';
import { formatSize, useUnit } from '../../shared/units';
import { NARROW } from '../../shared/useScreen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

interface Props {
  laying: Laying;
  spot: Spot;
  onSpot: (spot: Spot) => void;
  still: boolean;
  /** Where it would have lain best, once that is told. */
  best: Spot | null;
}

const STEP = 1; // mm by a key
const LEAP = 5;
const AROUND = 12; // mm beside the ground
const HEIGHT = 470; // px

/** Something that is laid on its ground by hand: dragged, or moved and turned by keys. */
export function LayDrill({ laying, spot, onSpot, still, best }: Props) {
  const read = useWords();
  const unit = useUnit((choice) => choice.unit);
  const svg = useRef<SVGSVGElement>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  // once it is told where it lies best, that side is shown
  const told = still ? best : null;
  const at = told ?? spot;
  const shown = at.over;
  const side = laying.sides[shown ? 1 : 0];
  const other = laying.sides[shown ? 0 : 1];
  const moved = (x: number, y: number) =>
    onSpot({ ...spot, x_mm: within(spot.x_mm + x), y_mm: within(spot.y_mm + y) });
  const turned = (by: number) => onSpot({ ...spot, turn_deg: (spot.turn_deg + by + 360) % 360 });
  const over = () => onSpot({ ...spot, over: !spot.over });
  const enabled = { enabled: !still, preventDefault: true };
  const step = (event: KeyboardEvent) => (event.shiftKey ? LEAP : STEP);
  useHotkeys('left, shift+left', (event) => moved(-step(event), 0), enabled);
  useHotkeys('right, shift+right', (event) => moved(step(event), 0), enabled);
  useHotkeys('up, shift+up', (event) => moved(0, step(event)), enabled);
  useHotkeys('down, shift+down', (event) => moved(0, -step(event)), enabled);
  useHotkeys('r, shift+r', (event) => turned(event.shiftKey ? -laying.step_deg : laying.step_deg), enabled);
  useHotkeys('t', over, enabled);
  const ground = boundsOf(side.ground_mm);
  const view = {
    x: ground.left - AROUND,
    y: -ground.top - AROUND,
    width: ground.right - ground.left + 2 * AROUND,
    height: ground.top - ground.bottom + 2 * AROUND,
  };
  const pointed = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    if (!matrix) return null;
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { x: point.x, y: -point.y };
  };
  const grab = (event: PointerEvent<SVGGElement>) => {
    const point = pointed(event);
    if (!point || still) return;
    from.current = { x: point.x - spot.x_mm, y: point.y - spot.y_mm };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const drag = (event: PointerEvent) => {
    const point = from.current && pointed(event);
    if (point && from.current)
      onSpot({ ...spot, x_mm: within(point.x - from.current.x), y_mm: within(point.y - from.current.y) });
  };
  return (
    <Box sx={{ width: 580, flexShrink: 0, [NARROW]: { width: '100%' } }}>
      <Box sx={{ color: colour.quiet }}>{read(side.title)}</Box>
      <svg
        ref={svg}
        role="application"
        aria-label={t('What you place and what you place it on. Arrow keys move it')}
        tabIndex={0}
        viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
        style={{ width: '100%', maxHeight: HEIGHT, touchAction: 'none', display: 'block' }}
      >
        <path d={ring(side.ground_mm)} fill="#fff" stroke={colour.metalDeep} strokeWidth={0.6} />
        {side.ground_png && (
          <image
            href={side.ground_png}
            x={ground.left}
            y={-ground.top}
            width={ground.right - ground.left}
            height={ground.top - ground.bottom}
            preserveAspectRatio="none"
          />
        )}
        {shown === spot.over && (
          <g
            data-testid="laid"
            transform={placed(spot)}
            onPointerDown={grab}
            onPointerMove={drag}
            onPointerUp={() => (from.current = null)}
            onPointerCancel={() => (from.current = null)}
            style={{ cursor: still ? 'default' : 'grab' }}
            opacity={told ? 0.3 : 1}
          >
            <Thing side={side} />
          </g>
        )}
        {told && (
          <g transform={placed(told)} data-testid="best">
            <Thing side={side} best />
          </g>
        )}
      </svg>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 14px', fontSize: 14 }}>
        <Box data-testid="spot" sx={{ minWidth: 190, color: colour.quiet }}>
          {'→ '}
          {formatSize(at.x_mm, unit)}
          {' · ↑ '}
          {formatSize(at.y_mm, unit)}
          {` · ${at.turn_deg}°`}
        </Box>
        {!still && (
          <>
            <Button onClick={() => turned(laying.step_deg)}>
              <Kbd style={{ marginRight: 8 }}>r</Kbd>
              {t('Turn')}
            </Button>
            <Button onClick={over}>
              <Kbd style={{ marginRight: 8 }}>t</Kbd>
              {t('Turn over: {side}', { side: read(other.title) })}
            </Button>
          </>
        )}
      </Box>
    </Box>
  );
}

/** The ground from its other side with what was pressed in it: mirrored. */
export function Through({ laying, spot }: { laying: Laying; spot: Spot }) {
  const read = useWords();
  const side = laying.sides[spot.over ? 1 : 0];
  const { left, right, top, bottom } = boundsOf(side.ground_mm);
  if (!laying.through) return null;
  return (
    <figure style={{ margin: '0 0 8px' }}>
      <svg
        role="img"
        aria-label={read(laying.through)}
        viewBox={`${-right - 1} ${-top - 1} ${right - left + 2} ${top - bottom + 2}`}
        style={{ height: 170, maxWidth: '100%', display: 'block' }}
      >
        <g transform="scale(-1 1)">
          <path d={ring(side.ground_mm)} fill="#fff" stroke={colour.metalDeep} strokeWidth={0.8} />
          <g transform={placed(spot)}>
            <Thing side={side} />
          </g>
        </g>
      </svg>
      <figcaption style={{ fontSize: 14, color: colour.quiet }}>{read(laying.through)}</figcaption>
    </figure>
  );
}

/** The thing as it is seen, with its relief; `best` draws it as where it would have lain best. */
function Thing({ side, best = false }: { side: Side; best?: boolean }) {
  const half = Math.max(...side.thing_mm.flat(2).map(Math.abs));
  const relief = side.thing_png;
  return (
    <>
      <rect x={-half} y={-half} width={2 * half} height={2 * half} fill="transparent" />
      {side.thing_mm.map((line, index) => (
        <path
          key={index}
          d={relief ? ring(line) : open(line)}
          fill={relief ? colour.accentWash : 'none'}
          fillOpacity={0.7}
          stroke={best ? colour.accent : colour.ink}
          strokeWidth={best ? 1.2 : 0.7}
          strokeDasharray={best ? '3 2' : undefined}
        />
      ))}
      {relief && <image href={relief} x={-half} y={-half} width={2 * half} height={2 * half} />}
    </>
  );
}

const placed = (spot: Spot) => `translate(${spot.x_mm} ${-spot.y_mm}) rotate(${-spot.turn_deg})`;
const open = (line: [number, number][]) => `M${line.map(([x, y]) => `${x} ${-y}`).join('L')}`;
const ring = (line: [number, number][]) => `${open(line)}Z`;
const within = (mm: number) => Math.min(Math.max(Math.round(mm * 10) / 10, -1000), 1000);

function boundsOf(points: [number, number][]) {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), bottom: Math.min(...ys), top: Math.max(...ys) };
}
