import type { Sandwich } from '../api/gen/types.gen';
import { wrapped, type Change } from './edits';

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

/** Lays the work as told from how it lies in this very sandwich; nothing where it lies so already. */
export function laid(sandwich: Sandwich, work: Work, to: (now: Placing) => Placing): Change[] {
  const now = placingIn(sandwich, work.lead);
  if (!now) return [];
  const { x, y, turn } = to(now);
  if (now.x === x && now.y === y && now.turn === turn) return [];
  const layers = sandwich.layers.map(({ id }) => id).filter((id) => work.moving.has(id));
  return [{ op: 'lay', layers, lead: work.lead, x_mm: x, y_mm: y, rotation_deg: wrapped(turn) }];
}

/** A value on the nearest step. */
export function snapped(value: number, step: number): number {
  return Math.round(Math.round(value / step) * step * 100) / 100;
}
