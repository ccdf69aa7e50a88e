import type { Shape as BedShape } from '../../api/gen/types.gen';

const RIM = 10; // mm drawn around what lies on the bed

/** How the bed is drawn: the feed goes from left to right, its left side is on top. */
export interface BedScale {
  low: number;
  high: number;
  scale: number;
  width: number;
  height: number;
  x: (mm: number) => number;
  y: (mm: number) => number;
  /** Places along and across the feed of a point of the drawing. */
  back: (px: number, py: number) => [number, number];
}

/** The largest drawing of everything but the bed, within a width and a height [px]. */
export function bedScale(shapes: BedShape[], feedWidth: number, width: number, height: number): BedScale {
  const lying = shapes.length > 1 && shapes[0]?.role === 'plate' ? shapes.slice(1) : shapes;
  const along = lying.flatMap((shape) => shape.rings_mm.flat().map(([x]) => x));
  const [first, last] = along.length ? [Math.min(...along), Math.max(...along)] : [-100, 100];
  const across = Math.max(
    feedWidth / 2,
    ...lying.flatMap((shape) => shape.rings_mm.flat().map(([, y]) => Math.abs(y))),
  );
  const scale = Math.min(width / (last - first + 2 * RIM), height / (2 * across + RIM));
  const middle = (first + last) / 2;
  const [low, high] = [middle - width / scale / 2, middle + width / scale / 2];
  const top = across + RIM / 2;
  return {
    low,
    high,
    scale,
    width,
    height: 2 * top * scale,
    x: (mm) => (mm - low) * scale,
    y: (mm) => (top - mm) * scale,
    back: (px, py) => [px / scale + low, top - py / scale],
  };
}

/** Rings as the path of a drawing. */
export function ringsPath(rings: [number, number][][], bed: BedScale, close = true): string {
  return rings
    .map(
      (ring) =>
        ring.map(([x, y], n) => `${n ? 'L' : 'M'}${bed.x(x).toFixed(1)} ${bed.y(y).toFixed(1)}`).join('') +
        (close ? 'Z' : ''),
    )
    .join('');
}
