import Box from '@mui/material/Box';
import type { Ink, Item, Press, ShelfEntry } from '../../api/gen/types.gen';
import { hatchId } from '../../sandwich/Hatching';
import { lookOf, ToolLook } from '../../sandwich/ToolLook';
import { DIES, FOLDERS } from '../../sandwich/traits.gen';
import { colour } from '../../theme/tokens';

export const PICTURE = { width: 154, height: 92 }; // px
const SECTION = { most: 26, perMm: 3 }; // px of a thickness, drawn to one scale for all things
const ROOM = 10; // px around what is drawn
const LARGEST = 1.1; // px a millimetre: a tag is drawn smaller than a page

/** A thing as one recognises it: its relief or outline from above, its stock's colour and grain, and its thickness below. */
export function ThingPicture({ entry }: { entry: ShelfEntry }) {
  if (entry.press) return <PressPicture press={entry.press} />;
  if (entry.ink) return <InkPicture ink={entry.ink} />;
  return entry.item ? <ItemPicture item={entry.item} /> : null;
}

function ItemPicture({ item }: { item: Item }) {
  const look = lookOf(item);
  const thick = Math.min(Math.max(item.thickness.mm * SECTION.perMm, 1.5), SECTION.most);
  const tall = PICTURE.height - SECTION.most - 6;
  const half = (item.length_mm / 2) * scaleOf(item, tall);
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{ display: 'block', position: 'relative', background: colour.paper, ...PICTURE }}
    >
      {look && (
        <Box component="span" sx={{ position: 'absolute', left: ROOM, top: 0 }}>
          <ToolLook item={item} width={PICTURE.width - 2 * ROOM} height={tall} />
        </Box>
      )}
      <svg {...PICTURE} style={{ position: 'absolute', inset: 0 }}>
        {!look && <Plan item={item} tall={tall} />}
        <rect
          x={look ? ROOM : PICTURE.width / 2 - half}
          y={PICTURE.height - 1 - thick}
          width={look ? PICTURE.width - 2 * ROOM : 2 * half}
          height={thick}
          fill={`url(#${hatchId(item.material)})`}
          stroke={colour.ink}
          strokeWidth={0.8}
          strokeDasharray={item.thickness.source === 'gauge' ? undefined : '3 2'}
        />
      </svg>
    </Box>
  );
}

/** px a millimetre, so that the whole thing is seen. */
const scaleOf = (item: Item, tall: number) =>
  Math.min((PICTURE.width - 2 * ROOM) / item.length_mm, (tall - 4) / item.width_mm, LARGEST);

/** Seen from above, the feed from left to right. */
function Plan({ item, tall }: { item: Item; tall: number }) {
  const scale = scaleOf(item, tall);
  const [x, y] = [PICTURE.width / 2, tall / 2];
  const [along, across] = [item.length_mm / 2, item.width_mm / 2];
  const outer = item.outline ?? [
    [-along, -across],
    [along, -across],
    [along, across],
    [-along, across],
  ];
  const ring = (points: readonly (readonly number[])[]) =>
    `M${points.map(([u = 0, v = 0]) => `${(x + u * scale).toFixed(1)} ${(y - v * scale).toFixed(1)}`).join('L')}Z`;
  const path = [outer, ...item.windows].map(ring).join('');
  const { stock, blade } = item;
  return (
    <>
      <path
        d={path}
        fillRule="evenodd"
        fill={
          stock
            ? stock.face_colour
            : blade && DIES.includes(item.kind)
              ? colour.panel
              : `url(#${hatchId(item.material)})`
        }
        stroke={colour.ink}
        strokeWidth={blade ? 2 : 0.8}
        strokeDasharray={blade?.teeth === 'perforating' ? '4 3' : undefined}
      />
      {stock && (
        <Grain
          x={x}
          y={y}
          along={along * scale}
          across={across * scale}
          core={stock.core_colour ?? undefined}
        />
      )}
      {FOLDERS.includes(item.kind) && (
        <path
          d={`M${x - along * scale + 4} ${y - across * scale}V${y + across * scale}`}
          stroke={colour.ink}
          strokeWidth={0.8}
        />
      )}
    </>
  );
}

interface GrainProps {
  x: number;
  y: number;
  along: number;
  across: number;
  core: string | undefined;
}

/** Lines along the grain, and a turned corner where the core has another colour. */
function Grain({ x, y, along, across, core }: GrainProps) {
  const lines = Array.from({ length: 5 }, (_, n) => y - across + ((n + 1) * across) / 3);
  return (
    <>
      {lines.map((line) => (
        <path
          key={line}
          d={`M${x - along + 5} ${line}H${x + along - 5}`}
          stroke={colour.ink}
          strokeOpacity={0.14}
          strokeWidth={0.7}
        />
      ))}
      {core && (
        <path
          d={`M${x + along} ${y + across}v-14l-14 14z`}
          fill={core}
          stroke={colour.ink}
          strokeWidth={0.6}
        />
      )}
    </>
  );
}

function PressPicture({ press }: { press: Press }) {
  const { width, height } = PICTURE;
  const gap = Math.min(press.opening.mm, 24);
  const radius = (height - gap) / 4 - 1;
  return (
    <svg {...PICTURE} aria-hidden="true" style={{ display: 'block' }}>
      {[radius + 1, height - radius - 1].map((middle) => (
        <circle
          key={middle}
          cx={width / 2}
          cy={middle}
          r={radius}
          fill="url(#hatch-roller)"
          stroke={colour.ink}
          strokeWidth={0.9}
        />
      ))}
      <path
        d={`M${width / 2 - press.feed_width_mm / 4} ${height / 2}H${width / 2 + press.feed_width_mm / 4}`}
        stroke={colour.accent}
        strokeWidth={1.4}
      />
    </svg>
  );
}

function InkPicture({ ink }: { ink: Ink }) {
  return (
    <svg {...PICTURE} aria-hidden="true" style={{ display: 'block' }}>
      <path d="M34 52q-6-30 30-34 44-6 62 14 16 22-14 38-36 14-62 2-14-8-16-20z" fill={ink.colour} />
      <path d="M120 66l22 16" stroke={ink.colour} strokeWidth={7} strokeLinecap="round" />
    </svg>
  );
}
