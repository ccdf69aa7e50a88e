/** A field over the panel: rows along the feed, columns across. */
export interface Field {
  rows: number;
  columns: number;
  values: Float32Array;
}

interface Header {
  shape: [number, number];
  low: number;
  step: number;
}

/** Reads a packed field: length of the header, the header as JSON, then 16-bit steps of its range. */
export function decodeField(bytes: ArrayBuffer): Field {
  const size = new DataView(bytes).getUint32(0, true);
  const header = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes, 4, size))) as Header;
  const [rows, columns] = header.shape;
  const steps = new Uint16Array(bytes.slice(4 + size, 4 + size + 2 * rows * columns));
  const values = new Float32Array(rows * columns);
  for (let n = 0; n < values.length; n += 1) values[n] = header.low + header.step * (steps[n] ?? 0);
  return { rows, columns, values };
}

/** Reads several packed fields, each behind its length in bytes. */
export function decodeFields<Name extends string>(
  bytes: ArrayBuffer,
  names: Name[],
): Partial<Record<Name, Field>> {
  const view = new DataView(bytes);
  const found: Partial<Record<Name, Field>> = {};
  let at = 0;
  for (const name of names) {
    const size = view.getUint32(at, true);
    found[name] = decodeField(bytes.slice(at + 4, at + 4 + size));
    at += 4 + size;
  }
  return found;
}

/** Least and greatest value where a mask is positive. */
export function rangeWithin(field: Field, inside: Uint8Array): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  field.values.forEach((value, n) => {
    if (!inside[n]) return;
    if (value < low) low = value;
    if (value > high) high = value;
  });
  return low <= high ? [low, high] : [0, 0];
}

/** Value at a place between cells, linear. */
export function sampleField(field: Field, row: number, column: number): number {
  const r = Math.min(Math.max(row, 0), field.rows - 1.001);
  const c = Math.min(Math.max(column, 0), field.columns - 1.001);
  const [i, j] = [Math.floor(r), Math.floor(c)];
  const at = (a: number, b: number) => field.values[a * field.columns + b] ?? 0;
  const top = at(i, j) * (1 - (c - j)) + at(i, j + 1) * (c - j);
  const bottom = at(i + 1, j) * (1 - (c - j)) + at(i + 1, j + 1) * (c - j);
  return top * (1 - (r - i)) + bottom * (r - i);
}
