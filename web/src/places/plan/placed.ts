import type { JobFile, PieceFile, Size } from '../../api/gen/types.gen';
import { figure, type Unit } from '../../words/figures';

/** Where a piece is seen, in millimetres from the card's upper left. */
export interface Placed {
  key: string;
  x: number;
  y: number;
  wide: number;
  high: number;
}

/** What is seen of a piece around the one that lies on it, in millimetres. */
export interface Borders {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export type Side = keyof Borders;
export const SIDES: readonly Side[] = ['left', 'right', 'top', 'bottom'];

/** By how much an edge moves at a time: a mark that is easy to set at the trimmer. */
export const STEP = { in: 25.4 / 16, mm: 0.5 } as const;

/** All equal parts of a piece together. */
export const together = (size: Size) => ({
  wide: size.columns * (size.width_mm + size.gap_mm) - size.gap_mm,
  high: size.rows * (size.height_mm + size.gap_mm) - size.gap_mm,
});

/** The borders around a piece, as they are; none of one that lies apart. */
export function bordersOf(piece: PieceFile, sizes: Map<string, Size>): Borders | undefined {
  const own = sizes.get(piece.key);
  const below = piece.on ? sizes.get(piece.on) : undefined;
  if (!own || !below) return undefined;
  const { wide, high } = together(own);
  return {
    left: own.left_mm,
    right: below.width_mm - own.left_mm - wide,
    top: own.top_mm,
    bottom: below.height_mm - own.top_mm - high,
  };
}

/** Borders as a job's file has them; undefined where one would be less than nothing. */
export function bordersFile(borders: Borders, unit: Unit): PieceFile['border'] | undefined {
  const { left, right, top, bottom } = borders;
  if (Math.min(left, right, top, bottom) < -1e-6) return undefined;
  const told = (mm: number) => (mm < 0.05 ? '0' : figure(mm, 'marked', unit));
  const [l, r, u, d] = [told(left), told(right), told(top), told(bottom)];
  return l === r && r === u && u === d ? l : { left: l, right: r, top: u, bottom: d };
}

/** Borders after a piece was moved by so much: to a mark, into the middle where it comes near it, and to a border as wide as the one beside it. */
export function movedBy(borders: Borders, dx: number, dy: number, step: number): Borders {
  const [across, upright] = [borders.left + borders.right, borders.top + borders.bottom];
  const along = (before: number, moved: number, all: number) => {
    const free = Math.min(Math.max(Math.round((before + moved) / step) * step, 0), all);
    return Math.abs(2 * free - all) <= 2 * step ? all / 2 : free;
  };
  const left = along(borders.left, dx, across);
  const top = along(borders.top, dy, upright);
  const beside = [left, across - left].find((side) => Math.abs(side - top) <= step && side <= upright);
  const even = top === upright / 2 ? top : (beside ?? top);
  return { left, right: across - left, top: even, bottom: upright - even };
}

const AIR = 9; // mm between what lies apart

/** Every piece where it is seen; one comes after what it lies on, and equal parts stand each for itself. */
export function placedOf(job: JobFile, sizes: Map<string, Size>): Placed[] {
  const found: Placed[] = [];
  const seen = new Set<string>();
  let beside = 0;
  const put = (key: string, x: number, y: number) => {
    const own = sizes.get(key);
    if (!own || seen.has(key)) return;
    seen.add(key);
    for (let row = 0; row < own.rows; row += 1)
      for (let column = 0; column < own.columns; column += 1)
        found.push({
          key,
          x: x + column * (own.width_mm + own.gap_mm),
          y: y + row * (own.height_mm + own.gap_mm),
          wide: own.width_mm,
          high: own.height_mm,
        });
    for (const above of job.pieces.filter((piece) => piece.on === key)) {
      const inner = sizes.get(above.key);
      if (inner) put(above.key, x + inner.left_mm, y + inner.top_mm);
    }
  };
  for (const root of job.pieces.filter((piece) => !piece.on)) {
    put(root.key, beside, 0);
    beside = Math.max(0, ...found.map((one) => one.x + one.wide)) + AIR;
  }
  return found;
}
