import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Unit = 'mm' | 'in';

export const MM = 25.4; // in an inch
export const UNIT_KEY = 'lofty-unit';
const FINEST = 64;

interface UnitChoice {
  unit: Unit;
  setUnit: (unit: Unit) => void;
}

/** The unit of length that the user chose, remembered in the browser. */
export const useUnit = create<UnitChoice>()(
  persist((set) => ({ unit: 'mm', setUnit: (unit) => set({ unit }) }), { name: UNIT_KEY }),
);

/** A size or position: millimetres, or the nearest 1/64 inch as a fraction. */
export function formatSize(mm: number, unit: Unit): string {
  if (unit === 'mm') return `${trim(mm, Math.abs(mm) < 10 ? 1 : 0)} mm`;
  return `${fraction(mm)} in`;
}

/** A thickness: finer than fractions go, so inches are shown in thousandths, as a caliper does. */
export function formatThickness(mm: number, unit: Unit, digits = 2): string {
  return unit === 'mm' ? `${mm.toFixed(digits)} mm` : `${(mm / MM).toFixed(digits + 1)} in`;
}

/** A share in whole per cent. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

/** Rewrites every "1.23 mm" of a text into the chosen unit. */
export function localise(text: string, unit: Unit): string {
  if (unit === 'mm') return text;
  return text.replace(/(\d+(?:\.\d+)?) mm\b(?! of blade)/g, (_, number: string) => {
    const mm = Number(number);
    return mm < 5 ? formatThickness(mm, unit) : formatSize(mm, unit);
  });
}

/** Millimetres as a whole number of inches and a reduced fraction, such as 4 1/4. */
export function fraction(mm: number): string {
  const parts = Math.round((Math.abs(mm) / MM) * FINEST);
  const whole = Math.floor(parts / FINEST);
  let top = parts % FINEST;
  let bottom = FINEST;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const sign = mm < 0 && parts > 0 ? '−' : '';
  if (top === 0) return `${sign}${whole}`;
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${bottom}`;
}

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

function trim(value: number, digits: number): string {
  return value.toFixed(digits).replace(/\.0$/, '').replace(/^-/, '−');
}
