import type { ImpressionAnswer as Impression } from '../../api/gen/types.gen';
import { rangeWithin, type Field } from '../../api/packedField';

export type Panel = NonNullable<Impression['result']>['panel'];
export type Face = 'front' | 'back';

/** Everything that the renderer needs of one pressed sheet, ready to be sent to the graphics card. */
export interface Surface {
  rows: number;
  columns: number;
  /** Slope down, slope right, hollow, mask: four numbers a cell. */
  shape: Float32Array;
  /** Map value scaled to 0..1 and ink cover: two numbers a cell. */
  paint: Float32Array;
  panel: Panel;
  /** True if this face is seen from below: right and left are exchanged. */
  mirrored: boolean;
  /** False if there is neither map nor ink nor cut to show. */
  painted: boolean;
}

/** Edges of the sheet on the bed, in mm. */
export interface Extent {
  top: number;
  left: number;
  bottom: number;
  right: number;
}

/** Where the sheet lies: fields hold −1 beyond it. */
export function insideOf(pressure: Field): Uint8Array {
  return Uint8Array.from(pressure.values, (value) => (value > -0.5 ? 1 : 0));
}

export function extentOf(inside: Uint8Array, panel: Panel): Extent {
  const [rows, columns] = panel.cells;
  let [r0, r1, c0, c1] = [rows, 0, columns, 0];
  for (let i = 0; i < rows; i += 1)
    for (let j = 0; j < columns; j += 1)
      if (inside[i * columns + j]) {
        if (i < r0) r0 = i;
        if (i > r1) r1 = i;
        if (j < c0) c0 = j;
        if (j > c1) c1 = j;
      }
  const { spacing_mm: h, first_mm: first } = panel;
  return {
    top: first[0] + (r0 - 0.5) * h,
    bottom: first[0] + (r1 + 0.5) * h,
    left: first[1] + (c0 - 0.5) * h,
    right: first[1] + (c1 + 0.5) * h,
  };
}

interface Parts {
  panel: Panel;
  face: Face;
  upper: Field;
  lower: Field;
  inside: Uint8Array;
  map: Field | undefined;
  top: number;
  ink: Field | undefined;
}

/** Slopes, hollows and paint of one face. */
export function surfaceOf({ panel, face, upper, lower, inside, map, top, ink }: Parts): Surface {
  const looksUp = (face === 'front') === (panel.front === 'upper');
  const { rows, columns, values } = looksUp ? upper : lower;
  const sign = looksUp ? 1 : -1;
  const h = panel.spacing_mm;
  const shape = new Float32Array(rows * columns * 4);
  const paint = new Float32Array(rows * columns * 2);
  const reach = Math.max(1, Math.round(0.8 / h));
  for (let i = 0; i < rows; i += 1) {
    const [up, down] = [Math.max(i - 1, 0) * columns, Math.min(i + 1, rows - 1) * columns];
    const [far, near] = [Math.max(i - reach, 0) * columns, Math.min(i + reach, rows - 1) * columns];
    for (let j = 0; j < columns; j += 1) {
      const n = i * columns + j;
      const [left, right] = [Math.max(j - 1, 0), Math.min(j + 1, columns - 1)];
      const at = (m: number) => (values[m] ?? 0) * sign;
      shape[4 * n] = (at(down + j) - at(up + j)) / (2 * h);
      shape[4 * n + 1] = (at(i * columns + right) - at(i * columns + left)) / (2 * h);
      const around =
        at(near + j) +
        at(far + j) +
        at(i * columns + Math.max(j - reach, 0)) +
        at(i * columns + Math.min(j + reach, columns - 1));
      shape[4 * n + 2] = around / 4 - at(n);
      shape[4 * n + 3] = inside[n] ?? 0;
      paint[2 * n] = map ? Math.max(map.values[n] ?? 0, 0) / top : 0;
      paint[2 * n + 1] = ink ? (ink.values[n] ?? 0) : 0;
    }
  }
  return {
    rows,
    columns,
    shape,
    paint,
    panel,
    mirrored: !looksUp,
    painted: map !== undefined || ink !== undefined,
  };
}

/** A face's heights over its lowest point, for the depth map. */
export function depthOf(face: Face, panel: Panel, upper: Field, lower: Field, inside: Uint8Array): Field {
  const looksUp = (face === 'front') === (panel.front === 'upper');
  const source = looksUp ? upper : lower;
  const signed: Field = looksUp ? source : { ...source, values: source.values.map((value) => -value) };
  const [low] = rangeWithin(signed, inside);
  return { ...signed, values: signed.values.map((value) => value - low) };
}
