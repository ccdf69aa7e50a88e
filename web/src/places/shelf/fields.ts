import type { ShelfEntry, ShelfWrite } from '../../api/client';

/** One number of a thing on the shelf that can be typed. */
export interface FieldSpec {
  path: string[];
  label: string;
  kind: 'length' | 'thickness' | 'number';
  ending?: string;
  least: number;
  most: number;
}

const length = (label: string, ...path: string[]): FieldSpec => ({
  path,
  label,
  kind: 'length',
  least: 0.1,
  most: 2000,
});
const thickness = (label: string, ...path: string[]): FieldSpec => ({
  path,
  label,
  kind: 'thickness',
  least: 0.01,
  most: 60,
});
const number = (label: string, ending: string, most: number, ...path: string[]): FieldSpec => ({
  path,
  label,
  kind: 'number',
  ending,
  least: 0.0001,
  most,
});

const DETAILS: FieldSpec[] = [
  length('across the feed', 'item', 'width_mm'),
  length('along the feed', 'item', 'length_mm'),
  number('Shore A', '', 90, 'item', 'shore_a'),
  { ...number('stands hollow', ' mm', 20, 'item', 'bow_mm'), least: 0 },
  thickness('relief height', 'item', 'relief', 'height_mm'),
  thickness('finest width', 'item', 'relief', 'span_mm'),
  number('raised share', '', 1, 'item', 'relief', 'raised_share'),
  { ...length('hinge margin', 'item', 'relief', 'hinge_margin_mm'), least: 0 },
  thickness('blade height', 'item', 'blade', 'height_mm'),
  number('blade length', ' mm', 1e6, 'item', 'blade', 'length_mm'),
  number('grammage', ' g/m²', 20_000, 'item', 'stock', 'grammage_gsm'),
  number('stiffness with the grain', ' MPa', 500_000, 'item', 'stock', 'modulus_along_mpa'),
  number('across it', ' MPa', 500_000, 'item', 'stock', 'modulus_across_mpa'),
  number('strain at break', '', 10, 'item', 'stock', 'break_strain'),
  number('shear strength', ' MPa', 500_000, 'item', 'stock', 'shear_strength_mpa'),
  length('roller radius', 'press', 'roller_radius_mm'),
  length('feed width', 'press', 'feed_width_mm'),
  number('frame stiffness', ' N/mm', 1e6, 'press', 'frame_stiffness_n_per_mm'),
  number('easy at the handle', ' N', 1e6, 'press', 'drive', 'comfort_n'),
  number('limit at the handle', ' N', 1e6, 'press', 'drive', 'limit_n'),
  number('stays wet', ' s', 86_400, 'ink', 'open_s'),
];

type Tree = Record<string, unknown>;

export function valueAt(entry: unknown, path: string[]): unknown {
  return path.reduce<unknown>(
    (part, key) => (part && typeof part === 'object' ? (part as Tree)[key] : undefined),
    entry,
  );
}

/** The fields that this thing has. */
export function detailsOf(entry: ShelfEntry): FieldSpec[] {
  return DETAILS.filter((field) => typeof valueAt(entry, field.path) === 'number');
}

/** The thing with one value changed, ready to be sent. */
export function withValue(entry: ShelfEntry, path: string[], value: unknown): ShelfWrite {
  const { press, item, ink } = entry;
  return put({ press, item, ink }, path, value) as ShelfWrite;
}

function put(part: unknown, [key, ...rest]: string[], value: unknown): unknown {
  if (key === undefined) return value;
  const tree = (part ?? {}) as Tree;
  return { ...tree, [key]: put(tree[key], rest, value) };
}

/** Name of a thing, and the path under which its thickness (a press: its opening) is kept. */
export function nameOf(entry: ShelfEntry): string {
  return entry.press?.name ?? entry.item?.name ?? entry.ink?.name ?? '';
}

export function thicknessPath(entry: ShelfEntry): string[] | undefined {
  if (entry.press) return ['press', 'opening'];
  return entry.item ? ['item', 'thickness'] : undefined;
}

export function namePath(entry: ShelfEntry): string[] {
  return [entry.press ? 'press' : entry.item ? 'item' : 'ink', 'name'];
}
