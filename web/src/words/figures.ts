import { KINDS } from './kinds.gen';

export type Unit = 'mm' | 'in';
export type Kind = keyof typeof KINDS;

/** How a reader of one unit system reads a kind of figure; as the core has it. */
interface Reading {
  unit: string;
  factor: number;
  digits: number | null;
  more: number;
  small_digits: number;
  step: number | null;
  fraction: number | null;
  words: readonly string[];
}

const MINUS = '−';

/** A figure with its unit, as a reader of that unit reads it; `digits` are the decimals that a metric reader gets. */
export function figure(value: number, kind: Kind, unit: Unit, digits?: number | null): string {
  const reading: Reading = KINDS[kind][unit];
  const shown = value * reading.factor;
  const word = Number.isInteger(shown) ? reading.words[shown] : undefined;
  if (word !== undefined) return word;
  const text = reading.fraction
    ? fraction(shown, reading.fraction)
    : decimal(shown, reading, digits == null ? undefined : digits + reading.more);
  return reading.unit === '' ? text : reading.unit === '°' ? `${text}°` : `${text} ${reading.unit}`;
}

function decimal(value: number, reading: Reading, digits?: number | null): string {
  const shown = reading.step ? half(value / reading.step, 0) * reading.step : value;
  const wanted = digits ?? reading.digits;
  if (wanted === null)
    return signed(Number.isInteger(shown) ? String(shown) : String(Number(shown.toPrecision(6))));
  const small = (digits ?? null) === null && Math.abs(shown) < 10 ? reading.small_digits : 0;
  const text = Math.abs(shown).toFixed(wanted + small);
  return signed(
    `${shown < 0 ? '-' : ''}${small && text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text}`,
  );
}

/** Rounded to so many decimals, halves away from nought. */
function half(value: number, digits: number): number {
  return Math.sign(value) * Number(Math.abs(value).toFixed(digits));
}

function signed(text: string): string {
  const bare = text.replace(/^-/, '');
  return text.startsWith('-') && /[1-9]/.test(bare) ? MINUS + bare : bare;
}

/** A whole number and a reduced fraction, such as 4 1/4. */
export function fraction(value: number, finest: number): string {
  const parts = half(Math.abs(value) * finest, 0);
  const whole = Math.floor(parts / finest);
  let [top, bottom] = [parts % finest, finest];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const text = top === 0 ? String(whole) : `${whole > 0 ? `${whole} ` : ''}${top}/${bottom}`;
  return value < 0 && parts > 0 ? MINUS + text : text;
}
