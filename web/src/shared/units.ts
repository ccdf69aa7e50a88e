import { create } from 'zustand';
import { persist } from 'zustand/middleware';

import { figure, type Unit } from '../words/figures';

export type { Unit };

export const MM = 25.4; // in an inch
export const UNIT_KEY = 'lofty-unit';

interface UnitChoice {
  unit: Unit;
  setUnit: (unit: Unit) => void;
}

/** The unit of length that the user chose, remembered in the browser. */
export const useUnit = create<UnitChoice>()(
  persist((set) => ({ unit: 'mm', setUnit: (unit) => set({ unit }) }), { name: UNIT_KEY }),
);

/** A size or position: millimetres, or the nearest 1/64 inch as a fraction. */
export const formatSize = (mm: number, unit: Unit): string => figure(mm, 'size', unit);

/** Two sides of something as one: "150 × 220 mm". */
export const formatSides = (one: number, other: number, unit: Unit): string =>
  `${formatSize(one, unit).replace(/ (mm|in)$/, '')} × ${formatSize(other, unit)}`;

/** A thickness: finer than fractions go, so inches are shown in thousandths, as a caliper does. */
export const formatThickness = (mm: number, unit: Unit, digits?: number): string =>
  figure(mm, 'thickness', unit, digits);

/** A share in whole per cent. */
export const percent = (share: number): string => figure(share, 'share', 'mm');

/** Reads a length as typed: "2.6", "2,6 mm", "1/8 in", "4 1/4"; undefined when it cannot be read. */
export function parseLength(text: string, unit: Unit): number | undefined {
  const match = /^\s*(−|-)?\s*(?:(\d+)\s+)?(\d+(?:[.,]\d+)?)(?:\s*\/\s*(\d+))?\s*(mm|in|")?\s*$/.exec(text);
  if (!match) return undefined;
  const [, sign, whole, top, bottom, written] = match;
  if (whole !== undefined && bottom === undefined) return undefined;
  const value =
    (Number(whole ?? 0) + Number((top ?? '').replace(',', '.')) / Number(bottom ?? 1)) * (sign ? -1 : 1);
  const inches = written ? written !== 'mm' : unit === 'in';
  return Number.isFinite(value) ? value * (inches ? MM : 1) : undefined;
}
