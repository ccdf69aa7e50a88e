export type Point = [number, number];
export type Ring = Point[];

const STEP = 2; // mm between the points of an outline that somebody draws over
const REACH = 8; // mm of an outline round a finger that follow it

/** A closed ring with a point at least every few millimetres. */
export function dense(ring: Ring): Ring {
  return ring.flatMap((from, n) => {
    const to = ring[(n + 1) % ring.length] ?? from;
    const parts = Math.max(Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / STEP), 1);
    return Array.from({ length: parts }, (_, k): Point => {
      const way = k / parts;
      return [from[0] + way * (to[0] - from[0]), from[1] + way * (to[1] - from[1])];
    });
  });
}

/** A ring pulled from one place to another: what is near follows, the further away the less. */
export function pulled(ring: Ring, from: Point, to: Point): Ring {
  return ring.map(([x, y]) => {
    const far = Math.hypot(x - from[0], y - from[1]);
    const follows = far < REACH ? 0.5 + 0.5 * Math.cos((Math.PI * far) / REACH) : 0;
    return [
      Number((x + follows * (to[0] - from[0])).toFixed(3)),
      Number((y + follows * (to[1] - from[1])).toFixed(3)),
    ];
  });
}

/** How far a place is from the nearest point of a ring. [mm] */
export const distanceTo = (ring: Ring, [x, y]: Point): number =>
  Math.min(...ring.map(([u, v]) => Math.hypot(x - u, y - v)));
