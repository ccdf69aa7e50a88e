import { colour } from '../theme/tokens';
import type { DrawnLayer } from './geometry';
import { HATCHES } from './hatching.gen';

/** A step of a path, as SVG has them: to a point, straight, by a quadratic curve over a control point, or back to the start. */
export type Step =
  ['M', number, number] | ['L', number, number] | ['Q', number, number, number, number] | ['Z'];

/** A filled or drawn path; the fill is a colour, or a material whose hatching fills it. */
export interface Shape {
  path: Step[];
  fill: string | null;
  hatch: string | null;
  stroke: string | null;
  width: number;
  dash: number[];
}

const MIST = '#4f86a8';
const DROPS = 12;
const TEETH = [0.04, 0.2, 0.42, 0.58, 0.8, 0.96];
const BUMPS = [0.2, 0.36, 0.52, 0.68, 0.84];

const shape = (path: Step[], part: Partial<Shape>): Shape => ({
  path,
  fill: null,
  hatch: null,
  stroke: null,
  width: 0.8,
  dash: [],
  ...part,
});

function box(x: number, y: number, width: number, height: number): Step[] {
  return [['M', x, y], ['L', x + width, y], ['L', x + width, y + height], ['L', x, y + height], ['Z']];
}

/** The path as SVG writes it. */
export const pathText = (path: Step[]): string => path.map((step) => step.join(' ')).join('');

/** The body of one layer in section: hatched by its material or in its stock's colour, copies apart, a tall base with a piece left out. */
export function bodyOf(drawn: DrawnLayer, edge: string = colour.ink, width = 0.9): Shape[] {
  const { item, layer, x, y, height } = drawn;
  const filled =
    item.kind === 'sheet' && item.stock ? { fill: item.stock.face_colour } : { hatch: item.material };
  const body = shape(box(x, y, drawn.width, height), { ...filled, stroke: edge, width });
  if (drawn.cut) return [body, ...gapIn(drawn)];
  if (layer.count === 1 || height <= layer.count * 2.5) return [body];
  const between = Array.from({ length: layer.count - 1 }, (_, n) => y + ((n + 1) * height) / layer.count);
  const lines = between.flatMap<Step>((at) => [
    ['M', x, at],
    ['L', x + drawn.width, at],
  ]);
  return [body, shape(lines, { stroke: edge, width: 0.6 })];
}

/** Where a piece of a tall base's height is left out. */
function gapIn({ x, y, width, height }: DrawnLayer): Shape[] {
  const zigzag = (at: number): Step[] => [
    ['M', x - 6, at],
    ['L', x + width * 0.46, at],
    ['L', x + width * 0.46 + 5, at - 6],
    ['L', x + width * 0.46 + 14, at + 6],
    ['L', x + width * 0.46 + 19, at],
    ['L', x + width + 6, at],
  ];
  const middle = y + height / 2;
  return [
    shape(zigzag(middle), { stroke: colour.paper, width: 7 }),
    shape([...zigzag(middle - 3.5), ...zigzag(middle + 3.5)], { stroke: colour.ink }),
  ];
}

/** What a layer carries on its faces: blade, relief, window, ink, mist; drawn over all bodies, since it reaches into the next layer. */
export function marksOf(drawn: DrawnLayer): Shape[] {
  const { item, layer, x, width } = drawn;
  const marks: Shape[] = [];
  if (item.blade && !layer.half) marks.push(teeth(drawn, !layer.turned));
  if (item.relief && !layer.half && item.kind !== 'motif') marks.push(bumps(drawn, !layer.turned, true));
  if (layer.half) marks.push(bumps(drawn, drawn.lower, layer.half === 'raised'));
  if (item.windows.length > 0) marks.push(windowOf(drawn));
  if (layer.ink) marks.push(shape(box(x, inkAt(drawn), width, 2.6), { fill: layer.ink.colour }));
  if (layer.mist_age_s != null) marks.push(mist(drawn));
  return marks;
}

function inkAt({ layer, y, height, lower }: DrawnLayer): number {
  const up = layer.half ? lower : !layer.turned;
  return up ? y - 1.3 : y + height - 1.3;
}

function teeth({ x, y, width, height }: DrawnLayer, up: boolean): Shape {
  const tooth = Math.min(7, Math.max(3, height * 0.6));
  const base = up ? y : y + height;
  const tip = up ? y - tooth : y + height + tooth;
  const path = TEETH.map((share) => x + share * width).flatMap<Step>((at) => [
    ['M', at - 2.4, base],
    ['L', at, tip],
    ['L', at + 2.4, base],
    ['Z'],
  ]);
  return shape(path, { fill: colour.ink });
}

function bumps({ x, y, width, height, item }: DrawnLayer, up: boolean, filled: boolean): Shape {
  const size = Math.min(6, Math.max(2.2, height * 0.3));
  const base = up ? y : y + height;
  const direction = up === filled ? -1 : 1;
  const path = BUMPS.map((share) => x + share * width).flatMap<Step>((at) => [
    ['M', at - 9, base],
    ['Q', at, base + direction * size * 2, at + 9, base],
    ['Z'],
  ]);
  return shape(path, { fill: filled ? HATCHES[item.material].fill : colour.paper, stroke: colour.ink });
}

function windowOf({ x, y, width, height, item }: DrawnLayer): Shape {
  const xs = item.windows.flat().map((point) => point[0]);
  const open = ((Math.max(...xs) - Math.min(...xs)) / item.length_mm) * width;
  return shape(box(x + width / 2 - open / 2, y, open, height), {
    fill: colour.paper,
    stroke: colour.ink,
    dash: [4, 3],
  });
}

function mist({ x, y, width, height, layer }: DrawnLayer): Shape {
  const upper = (layer.mist_face === 'front') !== layer.turned;
  const cy = upper ? y - 2.5 : y + height + 2.5;
  const r = 1.7;
  const path = Array.from({ length: DROPS }, (_, n) => x + ((n + 0.5) * width) / DROPS).flatMap<Step>(
    (cx) => [
      ['M', cx - r, cy],
      ['Q', cx - r, cy - r, cx, cy - r],
      ['Q', cx + r, cy - r, cx + r, cy],
      ['Q', cx + r, cy + r, cx, cy + r],
      ['Q', cx - r, cy + r, cx - r, cy],
      ['Z'],
    ],
  );
  return shape(path, { fill: MIST });
}
