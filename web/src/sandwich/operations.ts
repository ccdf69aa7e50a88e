import type { Ink, Item, Layer, Press, Sandwich, ShelfEntry } from '../api/client';

const FOLDERS = ['plain folder', 'deep folder', 'layered folder', 'cutting folder', 'two-way folder'];
const MOST_LAYERS = 40;
const MOST_SHIMS = 12;

/** Every function here is pure: a sandwich in, a new one out, the same one if there is nothing to do. */

export function itemOf(sandwich: Sandwich, layer: Layer): Item {
  const item = sandwich.items[layer.item];
  if (!item) throw new Error(`layer ${layer.id} has no item`);
  return item;
}

export function isFolder(item: Item): boolean {
  return FOLDERS.includes(item.kind);
}

function withLayers(sandwich: Sandwich, layers: Layer[]): Sandwich {
  const used = new Set(layers.map((layer) => layer.item));
  const items = Object.fromEntries(Object.entries(sandwich.items).filter(([key]) => used.has(key)));
  return { ...sandwich, layers, items };
}

/** Moves a layer to a place in the list without it; a folder goes as a whole, with what it holds. */
export function moveLayer(sandwich: Sandwich, id: string, to: number): Sandwich {
  const from = sandwich.layers.findIndex((layer) => layer.id === id);
  const layer = sandwich.layers[from];
  if (!layer) return sandwich;
  const block = layer.half ? folderBlock(sandwich, layer.item) : { start: from, end: from + 1 };
  const moved = sandwich.layers.slice(block.start, block.end);
  const rest = [...sandwich.layers.slice(0, block.start), ...sandwich.layers.slice(block.end)];
  let place = Math.max(0, Math.min(to, rest.length));
  if (layer.half) place = outsideFolders(rest, place, to >= block.start);
  if (place === block.start) return sandwich;
  return { ...sandwich, layers: [...rest.slice(0, place), ...moved, ...rest.slice(place)] };
}

/** One step up or down; a folder steps over its neighbour as a whole. */
export function nudgeLayer(sandwich: Sandwich, id: string, step: 1 | -1): Sandwich {
  const index = sandwich.layers.findIndex((layer) => layer.id === id);
  const layer = sandwich.layers[index];
  if (!layer) return sandwich;
  if (!layer.half) return moveLayer(sandwich, id, index + step);
  const block = folderBlock(sandwich, layer.item);
  return moveLayer(sandwich, id, block.start + step);
}

function folderBlock(sandwich: Sandwich, key: string): { start: number; end: number } {
  const indexes = sandwich.layers.flatMap((layer, index) =>
    layer.half && layer.item === key ? [index] : [],
  );
  return { start: indexes[0] ?? 0, end: (indexes.at(-1) ?? 0) + 1 };
}

/** A place that is not inside a folder: the nearest one in the direction of travel. */
function outsideFolders(layers: Layer[], place: number, upward: boolean): number {
  const inside = (at: number) => layers.slice(0, at).filter((layer) => layer.half).length % 2 === 1;
  let found = place;
  while (inside(found)) found += upward ? 1 : -1;
  return found;
}

export function removeLayer(sandwich: Sandwich, id: string): Sandwich {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer) return sandwich;
  const gone = (other: Layer) =>
    other.id === id || (layer.half != null && other.half != null && other.item === layer.item);
  return withLayers(
    sandwich,
    sandwich.layers.filter((other) => !gone(other)),
  );
}

export function turnOver(sandwich: Sandwich, id: string): Sandwich {
  const target = sandwich.layers.find((layer) => layer.id === id);
  if (!target) return sandwich;
  const layers = sandwich.layers.map((layer) => {
    if (target.half && layer.half && layer.item === target.item) {
      return { ...layer, half: layer.half === 'raised' ? ('sunk' as const) : ('raised' as const) };
    }
    return layer.id === id ? { ...layer, turned: !layer.turned } : layer;
  });
  return { ...sandwich, layers };
}

export function changeLayer(sandwich: Sandwich, id: string, change: Partial<Layer>): Sandwich {
  const target = sandwich.layers.find((layer) => layer.id === id);
  if (!target) return sandwich;
  const together = ['x_mm', 'y_mm', 'rotation_deg'].some((name) => name in change);
  const layers = sandwich.layers.map((layer) => {
    const partner = together && target.half && layer.half && layer.item === target.item;
    return layer.id === id || partner ? { ...layer, ...change } : layer;
  });
  return { ...sandwich, layers };
}

/** True if both hold the same things in the same order, wherever on the bed they lie. */
export function sameStack(one: Sandwich, other: Sandwich): boolean {
  return (
    one.items === other.items &&
    one.layers.length === other.layers.length &&
    one.layers.every((layer, index) => layer.id === other.layers[index]?.id)
  );
}

/** Changes the thing that a layer is of, such as a sheet that is trimmed. */
export function changeItem(sandwich: Sandwich, id: string, change: Partial<Item>): Sandwich {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer) return sandwich;
  const item = { ...itemOf(sandwich, layer), ...change };
  return { ...sandwich, items: { ...sandwich.items, [layer.item]: item } };
}

export function setCount(sandwich: Sandwich, id: string, count: number): Sandwich {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer || layer.half || count < 1 || count > MOST_SHIMS) return sandwich;
  return changeLayer(sandwich, id, { count });
}

/** Inks the shelf's next ink in turn, and after the last one none. */
export function nextInk(sandwich: Sandwich, id: string, inks: Ink[]): Sandwich {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer || inks.length === 0) return sandwich;
  const index = inks.findIndex((ink) => ink.name === layer.ink?.name);
  return changeLayer(sandwich, id, { ink: inks[index + 1] ?? null });
}

function freshId(sandwich: Sandwich, also: string[] = []): string {
  const taken = new Set([...sandwich.layers.map((layer) => layer.id), ...also]);
  for (let n = 1; ; n += 1) if (!taken.has(`l${n}`)) return `l${n}`;
}

function keyFor(sandwich: Sandwich, item: Item): string {
  for (const [key, known] of Object.entries(sandwich.items)) {
    if (!isFolder(item) && item.shelf_id && known.shelf_id === item.shelf_id) return key;
  }
  const base =
    item.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 50) || 'item';
  if (!(base in sandwich.items)) return base;
  for (let n = 2; ; n += 1) if (!(`${base}-${n}` in sandwich.items)) return `${base}-${n}`;
}

function blankLayer(id: string, item: string): Layer {
  return {
    id,
    item,
    half: null,
    count: 1,
    x_mm: 0,
    y_mm: 0,
    rotation_deg: 0,
    turned: false,
    role: null,
    mist_age_s: null,
    mist_face: 'back',
    ink: null,
  };
}

/** Puts something from the shelf in at a place; the second sheet of card and every one after it is a shim. */
export function addItem(sandwich: Sandwich, item: Item, at: number): { sandwich: Sandwich; id: string } {
  const key = keyFor(sandwich, item);
  const id = freshId(sandwich);
  if (sandwich.layers.length + (isFolder(item) ? 2 : 1) > MOST_LAYERS) return { sandwich, id };
  let place = Math.max(0, Math.min(at, sandwich.layers.length));
  let added: Layer[];
  if (isFolder(item)) {
    place = outsideFolders(sandwich.layers, place, true);
    const upper = freshId(sandwich, [id]);
    added = [
      { ...blankLayer(id, key), half: 'raised' },
      { ...blankLayer(upper, key), half: 'sunk' },
    ];
  } else {
    const hasSheet = sandwich.layers.some((layer) => layer.role === 'sheet');
    const role = item.kind === 'sheet' ? (hasSheet ? 'shim' : 'sheet') : null;
    added = [{ ...blankLayer(id, key), role }];
  }
  const layers = [...sandwich.layers.slice(0, place), ...added, ...sandwich.layers.slice(place)];
  return { sandwich: { ...sandwich, items: { ...sandwich.items, [key]: item }, layers }, id };
}

/** Takes over what changed on the shelf. */
export function refreshFromShelf(sandwich: Sandwich, entry: ShelfEntry): Sandwich {
  if (entry.press && sandwich.press.shelf_id === entry.id) return { ...sandwich, press: entry.press };
  const item = entry.item;
  if (!item) return sandwich;
  const items = Object.fromEntries(
    Object.entries(sandwich.items).map(([key, known]) => [
      key,
      known.shelf_id === entry.id && known.kind === item.kind ? item : known,
    ]),
  );
  return { ...sandwich, items };
}

export function emptySandwich(name: string, press: Press): Sandwich {
  return {
    format: 'lofty-press-sandwich',
    version: 1,
    name,
    note: '',
    press,
    effect: { kind: 'emboss', front: 'either' },
    items: {},
    layers: [],
    passes: 1,
  };
}
