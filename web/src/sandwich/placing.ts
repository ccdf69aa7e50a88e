import type { Layer, Sandwich } from '../api/client';

/** Where the tool's middle lies along and across the feed [mm], and how far it is turned, counter-clockwise from above [degree]. */
export interface Placing {
  x: number;
  y: number;
  turn: number;
}

/** How a layer lies. */
export function placingIn(sandwich: Sandwich, layer: string): Placing | undefined {
  const found = sandwich.layers.find(({ id }) => id === layer);
  return found && { x: found.x_mm, y: found.y_mm, turn: found.rotation_deg };
}

/** The work as the editor holds it: what moves as one, and by which layer's middle it is laid. */
export interface Work {
  lead: string;
  moving: Set<string>;
}

/** Lays the work as told from how it lies in this very sandwich. */
export function relaid(sandwich: Sandwich, work: Work, to: (now: Placing) => Placing): Sandwich {
  const now = placingIn(sandwich, work.lead);
  return now ? layOut(sandwich, work.moving, now, to(now)) : sandwich;
}

/** The sandwich with its work turned and moved as one, from one place of its tool to another. */
export function layOut(sandwich: Sandwich, moving: Set<string>, from: Placing, to: Placing): Sandwich {
  if (from.x === to.x && from.y === to.y && from.turn === to.turn) return sandwich;
  return {
    ...sandwich,
    layers: sandwich.layers.map((layer) => (moving.has(layer.id) ? carried(layer, from, to) : layer)),
  };
}

function carried(layer: Layer, from: Placing, to: Placing): Layer {
  const angle = ((to.turn - from.turn) * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [dx, dy] = [layer.x_mm - from.x, layer.y_mm - from.y];
  return {
    ...layer,
    x_mm: round(to.x + c * dx - s * dy),
    y_mm: round(to.y + s * dx + c * dy),
    rotation_deg: wrapped(layer.rotation_deg + to.turn - from.turn),
  };
}

/** The same direction from −180 (not counted) to 180. [degree] */
export function wrapped(degrees: number): number {
  const turned = ((((degrees + 180) % 360) + 360) % 360) - 180;
  return turned === -180 ? 180 : round(turned);
}

/** A value on the nearest step. */
export function snapped(value: number, step: number): number {
  return round(Math.round(value / step) * step);
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
