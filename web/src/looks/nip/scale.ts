/** An even scale from pale to dark: lightness falls in equal steps, hue turns from straw to deep green. */
const STOPS: [number, number, number][] = [
  [251, 249, 244],
  [226, 222, 178],
  [167, 199, 148],
  [99, 163, 131],
  [45, 117, 107],
  [21, 65, 66],
];

/** Colour of a share from 0 to 1, as red, green and blue. */
export function scaleColour(share: number): [number, number, number] {
  const place = Math.min(Math.max(share, 0), 1) * (STOPS.length - 1);
  const index = Math.min(Math.floor(place), STOPS.length - 2);
  const [from, to] = [STOPS[index], STOPS[index + 1]];
  if (!from || !to) return [0, 0, 0];
  const part = place - index;
  return [0, 1, 2].map((channel) =>
    Math.round((from[channel] ?? 0) + ((to[channel] ?? 0) - (from[channel] ?? 0)) * part),
  ) as [number, number, number];
}

/** A round number at or over a value, for the end of a scale. */
export function roundUp(value: number): number {
  if (value <= 0) return 1;
  const power = 10 ** Math.floor(Math.log10(value));
  const end = ([1, 2, 3, 4, 5, 6, 8, 10].find((step) => step * power >= value * 0.999) ?? 10) * power;
  return Number(end.toPrecision(6));
}

const MOST = 0.995; // of what is pressed at all; a blade's tip that the rollers meet first is no measure for the rest

/** What nearly all of the values that are not zero keep under. */
export function mostly(values: number[]): number {
  const sorted = values.filter((value) => value > 0).sort((one, two) => one - two);
  return sorted[Math.min(Math.floor(sorted.length * MOST), sorted.length - 1)] ?? 0;
}
