import Box from '@mui/material/Box';
import { useRef, type KeyboardEvent, type ReactNode } from 'react';
import type { Feed, Lying, Sandwich, WorkPart } from '../../api/gen/types.gen';
import { wrapped } from '../../sandwich/edits';
import { laid, type Placing, type Work } from '../../sandwich/placing';
import { useEditor } from '../../sandwich/store';
import { formatSize, useUnit, type Unit } from '../../shared/units';
import { colour, type } from '../../theme/tokens';
import { ringsPath, type BedScale } from './bedScale';
import { useFeedChoices } from './feedChoices';
import { Ghost } from './Ghost';
import { Outline } from './Outline';
import { ReliefsFromAbove } from './ReliefFromAbove';
import { PartMark } from './PartMark';
import { useBedDrag } from './useBedDrag';
import { useLineDrag } from './useLineDrag';
import { t } from '../../words/words';

interface Props {
  lying: Lying;
  /** The sandwich that lies so. */
  sandwich: Sandwich;
  bed: BedScale;
  advice: Feed['advice'] | undefined;
  work: Work | undefined;
  /** Where the rollers' line is, along the feed. [mm] */
  at: number;
  onAt: (mm: number) => void;
  under: ReactNode;
  /** Parts of the work that are not pressed as they should be. */
  parts: WorkPart[];
}

const HANDLE = 7; // px

/** The bed from above, to scale: drag the work, turn it by its handle, or use the keys. */
export function BedView({ lying, sandwich, bed, advice, work, at, onAt, under, parts }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const unit = useUnit((choice) => choice.unit);
  const snap = useFeedChoices((choices) => choices.snap);
  const edit = useEditor((editor) => editor.edit);
  const now = placingOf(lying.placing);
  const grab = useBedDrag({ drawing, bed, work, snap });
  const step = (to: (now: Placing) => Placing) => work && edit((s) => laid(s, work, to));
  const keys = (event: KeyboardEvent) => {
    const far = event.shiftKey ? 10 : 1;
    const turn = event.shiftKey ? 1 : 5;
    const better = placingOf(advice?.better);
    if (event.key === 'ArrowRight') step((at) => ({ ...at, x: at.x + far }));
    else if (event.key === 'ArrowLeft') step((at) => ({ ...at, x: at.x - far }));
    else if (event.key === 'ArrowUp') step((at) => ({ ...at, y: at.y + far }));
    else if (event.key === 'ArrowDown') step((at) => ({ ...at, y: at.y - far }));
    else if (event.key === '.' || event.key === '>') step((at) => ({ ...at, turn: wrapped(at.turn - turn) }));
    else if (event.key === ',' || event.key === '<') step((at) => ({ ...at, turn: wrapped(at.turn + turn) }));
    else if (event.key === 'Enter' && better) step(() => better);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const still = lying.shapes.filter((shape) => !work?.moving.has(shape.layer));
  const movable = lying.shapes.filter((shape) => work?.moving.has(shape.layer));
  const reach = Math.max(
    20,
    ...movable.flatMap((shape) =>
      shape.rings_mm.flat().map(([x, y]) => (now ? Math.hypot(x - now.x, y - now.y) : 0)),
    ),
  );
  const text = { fontFamily: type.text, fontSize: 11.5, fill: colour.quiet };
  const followLine = useLineDrag(bed, onAt);
  const wall = (y: number) => `M0 ${bed.y(y)}H${bed.width}`;
  return (
    <Box sx={{ position: 'relative', width: bed.width, height: bed.height }}>
      {under}
      <Box
        component="svg"
        ref={drawing}
        viewBox={`0 0 ${bed.width} ${bed.height}`}
        tabIndex={0}
        role="group"
        aria-label={describe(lying, unit)}
        onKeyDown={keys}
        sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', touchAction: 'none' }}
      >
        <path d={wall(lying.feed_width_mm / 2)} stroke={colour.metalDeep} strokeWidth={2} />
        <path d={wall(-lying.feed_width_mm / 2)} stroke={colour.metalDeep} strokeWidth={2} />
        {still.map((shape) => (
          <Outline
            key={shape.layer}
            shape={shape}
            bed={bed}
            clear={Boolean(under)}
            tint={tintOf(sandwich, shape.layer)}
          />
        ))}
        {advice?.better && now && (
          <Ghost work={movable} bed={bed} from={now} to={placingOf(advice.better) ?? now} />
        )}
        <g data-testid="work" style={{ cursor: 'move' }} onPointerDown={(event) => grab(event, false)}>
          {movable.map((shape) => (
            <Outline
              key={shape.layer}
              shape={shape}
              bed={bed}
              clear={Boolean(under)}
              tint={tintOf(sandwich, shape.layer)}
            />
          ))}
          {!under && <ReliefsFromAbove sandwich={sandwich} bed={bed} />}
        </g>
        {lying.overlaps.map((overlap) => (
          <path
            key={overlap.layers.join()}
            data-testid="overlap"
            d={ringsPath(overlap.rings_mm, bed)}
            fill={colour.stop}
            fillOpacity={0.45}
            fillRule="evenodd"
          >
            <title>
              {t('{names} share {area} cm²', {
                names: overlap.names.join(t(' and ')),
                area: (overlap.area_mm2 / 100).toFixed(1),
              })}
            </title>
          </path>
        ))}
        {parts.map((part) => (
          <PartMark key={part.lack} part={part} bed={bed} />
        ))}
        {now && <TurnHandle bed={bed} now={now} reach={reach} onGrab={(event) => grab(event, true)} />}
        <g
          role="slider"
          aria-label={t('Where the rollers press')}
          aria-valuenow={Math.round(at)}
          onPointerDown={(event) => followLine(event)}
          style={{ cursor: 'ew-resize' }}
        >
          <rect x={bed.x(at) - 6} width={12} height={bed.height} fill="transparent" />
          <path d={`M${bed.x(at)} 0V${bed.height}`} stroke={colour.ink} strokeDasharray="6 4" />
        </g>
        <text {...text} x={6} y={bed.y(-lying.feed_width_mm / 2) - 6}>
          {t('→ first')}
        </text>
      </Box>
    </Box>
  );
}

function TurnHandle({
  bed,
  now,
  reach,
  onGrab,
}: {
  bed: BedScale;
  now: Placing;
  reach: number;
  onGrab: (event: React.PointerEvent) => void;
}) {
  const angle = (now.turn * Math.PI) / 180;
  const out = Math.min(reach * 0.55, 40);
  const [x, y] = [bed.x(now.x + out * Math.cos(angle)), bed.y(now.y + out * Math.sin(angle))];
  return (
    <g data-testid="turn-handle" style={{ cursor: 'grab' }} onPointerDown={onGrab}>
      <path d={`M${bed.x(now.x)} ${bed.y(now.y)}L${x} ${y}`} stroke={colour.accent} />
      <circle cx={bed.x(now.x)} cy={bed.y(now.y)} r={2} fill={colour.accent} />
      <circle cx={x} cy={y} r={HANDLE} fill={colour.panel} stroke={colour.accent} strokeWidth={2}>
        <title>{t('Drag to turn')}</title>
      </circle>
    </g>
  );
}

/** A sheet lies there in its own colour: that of the face which looks up. */
function tintOf(sandwich: Sandwich, id: string): string | undefined {
  const layer = sandwich.layers.find((one) => one.id === id);
  const stock = layer && sandwich.items[layer.item]?.stock;
  return stock ? stock.face_colour : undefined;
}

export function placingOf(placing: Lying['placing'] | undefined): Placing | undefined {
  return placing ? { x: placing.x_mm, y: placing.y_mm, turn: placing.turn_deg } : undefined;
}

function describe(lying: Lying, unit: Unit): string {
  const now = lying.placing;
  if (!now) return t('The bed from above, with no tool on it');
  return t(
    'The bed from above: the tool is {x} along and {y} across from the middle, turned {turn}°. Arrow keys move it, comma and period turn it.',
    { x: formatSize(now.x_mm, unit), y: formatSize(now.y_mm, unit), turn: now.turn_deg },
  );
}
