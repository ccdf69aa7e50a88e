import { colour } from '../theme/tokens';
import type { DrawnLayer } from './geometry';
import { hatchId, MATERIAL_LOOK } from './Hatching';

interface Props {
  drawn: DrawnLayer;
  selected: boolean;
  flagged: boolean;
  lifted: boolean;
}

/** The body of one layer in section, hatched by its material. */
export function LayerBody({ drawn, selected, flagged, lifted }: Props) {
  const { item, layer, x, y, width, height } = drawn;
  const sheet = item.kind === 'sheet';
  const edge = flagged ? colour.stop : selected ? colour.accent : colour.ink;
  const fill = sheet && item.stock ? item.stock.face_colour : `url(#${hatchId(item.material)})`;
  return (
    <g opacity={lifted ? 0.55 : 1}>
      {drawn.cut ? (
        <CutBase drawn={drawn} edge={edge} />
      ) : (
        <rect
          x={x}
          y={y}
          width={width}
          height={height}
          fill={fill}
          stroke={edge}
          strokeWidth={selected || flagged ? 1.8 : 0.9}
        />
      )}
      {layer.count > 1 && height > layer.count * 2.5 && (
        <path
          d={Array.from(
            { length: layer.count - 1 },
            (_, n) => `M${x} ${y + ((n + 1) * height) / layer.count}h${width}`,
          ).join('')}
          stroke={edge}
          strokeWidth={0.6}
        />
      )}
    </g>
  );
}

/** What a layer carries on its faces: blade, relief, ink, mist; drawn over all bodies, since it reaches into the next layer. */
export function LayerMarks({ drawn }: { drawn: DrawnLayer }) {
  const { item, layer, x, width } = drawn;
  return (
    <g pointerEvents="none">
      {item.blade && !layer.half && <Teeth drawn={drawn} up={!layer.turned} />}
      {item.relief && !layer.half && item.kind !== 'motif' && (
        <Bumps drawn={drawn} up={!layer.turned} filled />
      )}
      {layer.half && <Bumps drawn={drawn} up={drawn.lower} filled={layer.half === 'raised'} />}
      {item.windows.length > 0 && <Window drawn={drawn} />}
      {layer.ink && <rect x={x} y={inkAt(drawn)} width={width} height={2.6} fill={layer.ink.colour} />}
      {layer.mist_age_s != null && <Mist drawn={drawn} />}
    </g>
  );
}

function inkAt({ layer, y, height, lower }: DrawnLayer): number {
  const up = layer.half ? lower : !layer.turned;
  return up ? y - 1.3 : y + height - 1.3;
}

function Teeth({ drawn, up }: { drawn: DrawnLayer; up: boolean }) {
  const { x, y, width, height } = drawn;
  const tooth = Math.min(7, Math.max(3, height * 0.6));
  const places = [0.04, 0.2, 0.42, 0.58, 0.8, 0.96].map((share) => x + share * width);
  const base = up ? y : y + height;
  const tip = up ? y - tooth : y + height + tooth;
  return (
    <path
      d={places.map((p) => `M${p - 2.4} ${base}L${p} ${tip}L${p + 2.4} ${base}Z`).join('')}
      fill={colour.ink}
    />
  );
}

function Bumps({ drawn, up, filled }: { drawn: DrawnLayer; up: boolean; filled: boolean }) {
  const { x, y, width, height, item } = drawn;
  const places = [0.2, 0.36, 0.52, 0.68, 0.84].map((share) => x + share * width);
  const size = Math.min(6, Math.max(2.2, height * 0.3));
  const base = up ? y : y + height;
  const outward = up ? -1 : 1;
  const direction = filled ? outward : -outward;
  const path = places
    .map((p) => `M${p - 9} ${base}Q${p} ${base + direction * size * 2} ${p + 9} ${base}Z`)
    .join('');
  const look = MATERIAL_LOOK[item.material];
  return <path d={path} fill={filled ? look.fill : colour.paper} stroke={colour.ink} strokeWidth={0.8} />;
}

function Window({ drawn }: { drawn: DrawnLayer }) {
  const { x, y, width, height, item } = drawn;
  const xs = item.windows.flat().map((point) => point[0]);
  const open = ((Math.max(...xs) - Math.min(...xs)) / item.length_mm) * width;
  return (
    <rect
      x={x + width / 2 - open / 2}
      y={y}
      width={open}
      height={height}
      fill={colour.paper}
      stroke={colour.ink}
      strokeDasharray="4 3"
      strokeWidth={0.8}
    />
  );
}

function Mist({ drawn }: { drawn: DrawnLayer }) {
  const { x, y, width, height, layer } = drawn;
  const upper = (layer.mist_face === 'front') !== layer.turned;
  const cy = upper ? y - 2.5 : y + height + 2.5;
  return (
    <g fill="#4f86a8">
      {Array.from({ length: 12 }, (_, n) => (
        <circle key={n} cx={x + ((n + 0.5) * width) / 12} cy={cy} r={1.7} />
      ))}
    </g>
  );
}

/** A tall base, drawn with a piece of its height left out. */
function CutBase({ drawn, edge }: { drawn: DrawnLayer; edge: string }) {
  const { x, y, width, height, item } = drawn;
  const middle = y + height / 2;
  const zigzag = (at: number) => `M${x - 6} ${at}H${x + width * 0.46}l5 -6l9 12l5 -6H${x + width + 6}`;
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill={`url(#${hatchId(item.material)})`}
        stroke={edge}
        strokeWidth={0.9}
      />
      <path d={zigzag(middle)} fill="none" stroke={colour.paper} strokeWidth={7} />
      <path
        d={`${zigzag(middle - 3.5)}${zigzag(middle + 3.5)}`}
        fill="none"
        stroke={colour.ink}
        strokeWidth={0.8}
      />
    </g>
  );
}
