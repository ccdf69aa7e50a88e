import type { ShelfEntry, ShelfWrite } from '../../api/gen/types.gen';

type Tree = Record<string, unknown>;

export function valueAt(entry: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>(
    (part, key) => (part && typeof part === 'object' ? (part as Tree)[key] : undefined),
    entry,
  );
}

/** The thing with one value changed, ready to be sent. */
export function withValue(entry: ShelfWrite, path: readonly string[], value: unknown): ShelfWrite {
  const { press, item, ink } = entry;
  return put({ press, item, ink }, path, value) as ShelfWrite;
}

function put(part: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  const tree = (part ?? {}) as Tree;
  return { ...tree, [key]: put(tree[key], rest, value) };
}

/** Name of a thing, and the path under which its thickness (a press: its opening) is kept. */
export function nameOf(entry: ShelfEntry): string {
  return entry.press?.name ?? entry.item?.name ?? entry.ink?.name ?? '';
}

export function thicknessPath(entry: ShelfWrite): string[] | undefined {
  if (entry.press) return ['press', 'opening'];
  return entry.item ? ['item', 'thickness'] : undefined;
}

export function namePath(entry: ShelfEntry): string[] {
  return [entry.press ? 'press' : entry.item ? 'item' : 'ink', 'name'];
}
