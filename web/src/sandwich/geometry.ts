import type { Item, Layer, Sandwich } from '../api/gen/types.gen';
import { itemOf } from './edits';
import { BASES } from './traits.gen';

/** Size of the drawing and of its parts, in pixels. */
export const VIEW = {
  width: 568,
  height: 626,
  left: 92,
  stack: 268,
  labels: 388,
  top: 84,
  bottom: 556,
} as const;

const BED_SHOWN = 2.4; // mm of a tall base that stay in the drawing
const THINNEST = 5; // px
const TALL_BASE = 5; // mm
const LABEL_FULL = 46; // px
const LABEL_SHORT = 19; // px

export interface DrawnLayer {
  layer: Layer;
  item: Item;
  index: number;
  mm: number;
  x: number;
  width: number;
  y: number;
  height: number;
  /** Drawn with a piece of its height left out. */
  cut: boolean;
  /** The lower one of a folder's two halves. */
  lower: boolean;
}

export interface Drawing {
  layers: DrawnLayer[];
  /** Pixels for a millimetre of height. */
  scale: number;
  /** Where the lower roller's top lies, and the upper roller's bottom when nothing presses it up. */
  floor: number;
  ceiling: number;
  top: number;
  /** Pixels for a millimetre along the feed, and where its middle lies. */
  along: number;
  middle: number;
}

export function thicknessOf(layer: Layer, item: Item): number {
  return item.thickness.mm * (layer.half ? 0.5 : layer.count);
}

function lengthAlongFeed(layer: Layer, item: Item): number {
  const angle = (layer.rotation_deg * Math.PI) / 180;
  return Math.abs(item.length_mm * Math.cos(angle)) + Math.abs(item.width_mm * Math.sin(angle));
}

/** Lays the stack out from the bottom up, under rollers so far open [mm]; heights are true to one another but for a base cut short and a least height. */
export function drawStack(sandwich: Sandwich, opening: number, trueScale: boolean): Drawing {
  const parts = sandwich.layers.map((layer) => {
    const item = itemOf(sandwich, layer);
    return { layer, item, mm: thicknessOf(layer, item) };
  });
  const cutAway = (part: (typeof parts)[number]) =>
    !trueScale && BASES.includes(part.item.kind) && part.mm > TALL_BASE ? part.mm - BED_SHOWN : 0;
  const cutTotal = parts.reduce((sum, part) => sum + cutAway(part), 0);
  const pile = parts.reduce((sum, part) => sum + part.mm, 0);
  const longest = Math.max(
    120,
    ...parts.filter((p) => p.item.kind !== 'bed').map((p) => lengthAlongFeed(p.layer, p.item)),
  );
  const along = VIEW.stack / longest;
  const tallest = Math.max(pile, opening) - cutTotal;
  const room = VIEW.bottom - VIEW.top - parts.length * 2;
  const scale = trueScale ? along : Math.min(room / Math.max(tallest, 3), 90);
  const middle = VIEW.left + VIEW.stack / 2;
  let y = VIEW.bottom - (trueScale ? (VIEW.bottom - VIEW.top) / 2 - (pile * scale) / 2 : 0);
  const floor = y;
  let stretched = 0;
  const layers = parts.map((part, index) => {
    const cut = cutAway(part);
    const exact = (part.mm - cut) * scale;
    const height = trueScale ? Math.max(exact, 0.8) : Math.max(exact, THINNEST);
    stretched += height - exact;
    const width = Math.min(lengthAlongFeed(part.layer, part.item) * along, VIEW.stack + 18);
    y -= height;
    const x = cut > 0 ? middle - VIEW.stack / 2 - 9 : middle + part.layer.x_mm * along - width / 2;
    const lower =
      parts.findIndex((other) => other.layer.half && other.layer.item === part.layer.item) === index;
    return { ...part, index, x, width: cut > 0 ? VIEW.stack + 18 : width, y, height, cut: cut > 0, lower };
  });
  const ceiling = floor - (opening - cutTotal) * scale - (pile > 0 ? stretched : 0);
  return { layers, scale, floor, ceiling, top: y, along, middle };
}

export interface PlacedLabel {
  id: string;
  y: number;
  anchor: number;
  short: boolean;
}

/** Heights of the labels beside the stack: as near to their layer as can be, and never over one another. */
export function placeLabels(drawing: Drawing): PlacedLabel[] {
  const count = drawing.layers.length;
  const low = 44;
  const high = VIEW.height - 48;
  const short = count * LABEL_FULL > high - low;
  const gap = Math.min(short ? LABEL_SHORT + 3 : LABEL_FULL, (high - low) / Math.max(count, 1));
  const wanted = [...drawing.layers].reverse();
  const anchors = wanted.map((drawn) => drawn.y + drawn.height / 2);
  const first = spaced(anchors, gap, low, high);
  const shift =
    first.reduce((sum, place, index) => sum + place - (anchors[index] ?? 0), 0) / Math.max(count, 1);
  const places = spaced(
    first.map((place) => place - shift),
    gap,
    low,
    high,
  );
  return wanted.map((drawn, index) => ({
    id: drawn.layer.id,
    y: places[index] ?? low,
    anchor: drawn.y + drawn.height / 2,
    short,
  }));
}

/** Places in rising order at least a gap apart, moved down where they crowd and up again where they would leave the field. */
function spaced(wanted: number[], gap: number, low: number, high: number): number[] {
  const places: number[] = [];
  for (const place of wanted) places.push(Math.max(place, (places.at(-1) ?? low - gap) + gap));
  for (let index = places.length - 1, limit = high; index >= 0; index -= 1, limit -= gap) {
    places[index] = Math.min(places[index] ?? limit, limit);
  }
  return places;
}

/** The place in the stack that a height of the drawing points at: how many layers lie below it. */
export function placeAt(drawing: Drawing, y: number): number {
  return drawing.layers.filter((drawn) => drawn.y + drawn.height / 2 > y).length;
}
