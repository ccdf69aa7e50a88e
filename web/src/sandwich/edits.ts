import type { Item, Layer, Sandwich } from '../api/gen/types.gen';
import type { Edit } from '../api/types';
import { FOLDERS, LONGEST_KEY, MOST_COPIES, MOST_LAYERS } from './traits.gen';
import { t } from '../words/words';

/** Why an edit cannot be carried out. */
export class EditRefused extends Error {}

type Named<Op extends Edit['op']> = Extract<Edit, { op: Op }>;
type Loose<Op extends Edit['op'], Needed extends keyof Named<Op>> = Pick<Named<Op>, 'op' | Needed> &
  Partial<Named<Op>>;

/** An edit as it is written down: what is left out stays as it is. */
export type Change =
  | Exclude<Edit, { op: 'set' | 'put' | 'effect' | 'refresh' }>
  | Loose<'set', 'layer'>
  | Loose<'put', 'item' | 'at'>
  | Loose<'effect', never>
  | Loose<'refresh', never>;

const WHERE = ['x_mm', 'y_mm', 'rotation_deg'] as const; // both halves of a folder lie alike
const SET = [...WHERE, 'count', 'role', 'mist_age_s', 'mist_face', 'ink'] as const;

/** Carries edits out, one after the other, as the core does: the same answers, held equal by shared examples. */
export function applyEdits(sandwich: Sandwich, edits: readonly Change[]): Sandwich {
  const edited = edits.reduce(applyEdit, sandwich);
  if (edited === sandwich) return sandwich;
  const used = new Set(edited.layers.map((layer) => layer.item));
  const items = Object.fromEntries(Object.entries(edited.items).filter(([key]) => used.has(key)));
  return { ...edited, items };
}

function applyEdit(sandwich: Sandwich, edit: Change): Sandwich {
  switch (edit.op) {
    case 'remove':
      return remove(sandwich, edit.layer);
    case 'turn over':
      return turnOver(sandwich, edit.layer);
    case 'put':
      return put(sandwich, edit.item, edit.at, edit.count ?? 1, edit.role ?? null);
    case 'swap':
      return swap(sandwich, edit.layer, edit.item);
    case 'move':
      return move(sandwich, edit.layer, edit.to);
    case 'lay':
      return lay(sandwich, edit);
    case 'set':
      return setLayer(sandwich, edit);
    case 'trim':
      return trim(sandwich, edit.layer, edit.width_mm, edit.length_mm);
    case 'passes':
      return { ...sandwich, passes: edit.passes };
    case 'effect': {
      const { kind, front } = sandwich.effect;
      return { ...sandwich, effect: { kind: edit.kind ?? kind, front: edit.front ?? front } };
    }
    case 'rename':
      return { ...sandwich, name: edit.name };
    case 'press':
      return { ...sandwich, press: edit.press };
    case 'refresh':
      return refresh(sandwich, edit);
  }
}

function remove(sandwich: Sandwich, id: string): Sandwich {
  const together = halvesOf(sandwich.layers, find(sandwich.layers, id));
  return { ...sandwich, layers: sandwich.layers.filter((layer) => !together.has(layer.id)) };
}

function turnOver(sandwich: Sandwich, id: string): Sandwich {
  const turned = (layer: Layer): Layer => {
    if (layer.half) return { ...layer, half: layer.half === 'raised' ? 'sunk' : 'raised' };
    return { ...layer, turned: !layer.turned };
  };
  return changed(sandwich, id, turned);
}

function put(sandwich: Sandwich, item: Item, at: number, count: number, role: Layer['role']): Sandwich {
  const { layers, items } = sandwich;
  const key = keyFor(items, item);
  const [first, second] = freshIds(layers);
  let place = Math.min(at, layers.length);
  let added: Layer[] = [{ ...BLANK, id: first, item: key, count, role }];
  if (isFolder(item)) {
    place = outsideFolders(layers, place, true);
    added = [
      { ...BLANK, id: first, item: key, half: 'raised' },
      { ...BLANK, id: second, item: key, half: 'sunk' },
    ];
  }
  if (layers.length + added.length > MOST_LAYERS)
    throw new EditRefused(t('A sandwich can have at most {most} layers.', { most: MOST_LAYERS }));
  return {
    ...sandwich,
    items: { ...items, [key]: item },
    layers: [...layers.slice(0, place), ...added, ...layers.slice(place)],
  };
}

function swap(sandwich: Sandwich, id: string, item: Item): Sandwich {
  if (isFolder(item) !== (find(sandwich.layers, id).half !== null))
    throw new EditRefused(t("Only a folder can take a folder's place."));
  const key = keyFor(sandwich.items, item);
  const swapped = changed(sandwich, id, (layer) => ({ ...layer, item: key, turned: false }));
  return { ...swapped, items: { ...sandwich.items, [key]: item } };
}

function move(sandwich: Sandwich, id: string, to: number): Sandwich {
  const { layers } = sandwich;
  const target = find(layers, id);
  const { start, end } = blockOf(layers, target);
  const moved = layers.slice(start, end);
  const rest = [...layers.slice(0, start), ...layers.slice(end)];
  let place = Math.min(to, rest.length);
  if (target.half) place = outsideFolders(rest, place, to >= start);
  return { ...sandwich, layers: [...rest.slice(0, place), ...moved, ...rest.slice(place)] };
}

function lay(sandwich: Sandwich, edit: Named<'lay'>): Sandwich {
  const { layers } = sandwich;
  const lead = find(layers, edit.lead);
  const together = new Set(edit.layers.flatMap((id) => [...halvesOf(layers, find(layers, id))]));
  const turn = edit.rotation_deg - lead.rotation_deg;
  const angle = turn * (Math.PI / 180);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const carried = (layer: Layer): Layer => {
    const [x, y] = [layer.x_mm - lead.x_mm, layer.y_mm - lead.y_mm];
    return {
      ...layer,
      x_mm: hundredths(edit.x_mm + c * x - s * y),
      y_mm: hundredths(edit.y_mm + s * x + c * y),
      rotation_deg: wrapped(layer.rotation_deg + turn),
    };
  };
  return { ...sandwich, layers: layers.map((layer) => (together.has(layer.id) ? carried(layer) : layer)) };
}

function setLayer(sandwich: Sandwich, edit: Loose<'set', 'layer'>): Sandwich {
  const target = find(sandwich.layers, edit.layer);
  if (target.half && (edit.count ?? 1) !== 1)
    throw new EditRefused(t('A folder can be in the pile only once.'));
  if ((edit.count ?? 1) > MOST_COPIES)
    throw new EditRefused(t('One layer can have at most {most} equal sheets.', { most: MOST_COPIES }));
  const pick = (names: readonly (typeof SET)[number][]) =>
    Object.fromEntries(names.filter((name) => edit[name] != null).map((name) => [name, edit[name]]));
  const all = {
    ...pick(SET),
    ...(edit.dry ? { mist_age_s: null } : {}),
    ...(edit.no_ink ? { ink: null } : {}),
  };
  return changed(sandwich, edit.layer, (layer) =>
    layer.id === target.id ? { ...layer, ...all } : { ...layer, ...pick(WHERE) },
  );
}

function trim(sandwich: Sandwich, id: string, width_mm: number, length_mm: number): Sandwich {
  const { layers, items } = sandwich;
  const target = find(layers, id);
  const together = halvesOf(layers, target);
  const cut = { ...itemOf(sandwich, target), width_mm, length_mm };
  const shared = layers.some((layer) => layer.item === target.item && !together.has(layer.id));
  const key = shared ? freshKey(items, cut) : target.item;
  const trimmed = changed(sandwich, id, (layer) => ({ ...layer, item: key }));
  return { ...trimmed, items: { ...items, [key]: cut } };
}

function refresh(sandwich: Sandwich, { item, press }: Loose<'refresh', never>): Sandwich {
  const fresh = press?.shelf_id && sandwich.press.shelf_id === press.shelf_id ? press : sandwich.press;
  if (!item?.shelf_id) return { ...sandwich, press: fresh };
  const items = Object.fromEntries(
    Object.entries(sandwich.items).map(([key, known]) => [
      key,
      known.shelf_id === item.shelf_id && known.kind === item.kind ? asSmallAs(item, known) : known,
    ]),
  );
  return { ...sandwich, press: fresh, items };
}

/** A thing as the shelf has it; a sheet cut as small as it lies in the sandwich. */
function asSmallAs(fresh: Item, known: Item): Item {
  if (fresh.kind !== 'sheet') return fresh;
  return {
    ...fresh,
    width_mm: Math.min(fresh.width_mm, known.width_mm),
    length_mm: Math.min(fresh.length_mm, known.length_mm),
  };
}

export function itemOf(sandwich: Sandwich, layer: Layer): Item {
  const item = sandwich.items[layer.item];
  if (!item) throw new Error(t('layer {id} has no item', { id: layer.id }));
  return item;
}

export function isFolder(item: Item): boolean {
  return FOLDERS.includes(item.kind);
}

function find(layers: Layer[], wanted: string): Layer {
  const found = layers.find((layer) => layer.id === wanted);
  if (!found) throw new EditRefused(t('That layer is gone from this sandwich.'));
  return found;
}

/** What goes where a layer goes: of a folder both halves, else itself. */
function halvesOf(layers: Layer[], target: Layer): Set<string> {
  const partner = (layer: Layer) => target.half && layer.half && layer.item === target.item;
  return new Set(layers.filter((layer) => layer.id === target.id || partner(layer)).map((layer) => layer.id));
}

function changed(sandwich: Sandwich, id: string, change: (layer: Layer) => Layer): Sandwich {
  const together = halvesOf(sandwich.layers, find(sandwich.layers, id));
  const layers = sandwich.layers.map((layer) => (together.has(layer.id) ? change(layer) : layer));
  return { ...sandwich, layers };
}

/** What a layer takes along in the pile: a folder all that lies in it. */
export function blockOf(layers: Layer[], target: Layer): { start: number; end: number } {
  const together = halvesOf(layers, target);
  const places = layers.flatMap((layer, place) => (together.has(layer.id) ? [place] : []));
  return { start: places[0] ?? 0, end: (places.at(-1) ?? 0) + 1 };
}

/** The nearest place in a direction that does not lie inside a folder. */
export function outsideFolders(layers: Layer[], place: number, upward: boolean): number {
  const inside = (at: number) => layers.slice(0, at).filter((layer) => layer.half).length % 2 === 1;
  let found = place;
  while (inside(found)) found += upward ? 1 : -1;
  return found;
}

/** The key of a thing: that of the same thing if it is there already, else a fresh one. */
function keyFor(items: Sandwich['items'], item: Item): string {
  if (!isFolder(item)) {
    for (const [key, known] of Object.entries(items)) {
      if ((item.shelf_id && known.shelf_id === item.shelf_id) || alike(known, item)) return key;
    }
  }
  return freshKey(items, item);
}

function freshKey(items: Sandwich['items'], item: Item): string {
  const base =
    item.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, LONGEST_KEY) || 'item';
  if (!(base in items)) return base;
  for (let n = 2; ; n += 1) if (!(`${base}-${n}` in items)) return `${base}-${n}`;
}

export function freshIds(layers: Layer[]): [string, string] {
  const taken = new Set(layers.map((layer) => layer.id));
  const free: string[] = [];
  for (let n = 1; free.length < 2; n += 1) if (!taken.has(`l${n}`)) free.push(`l${n}`);
  return [free[0] ?? '', free[1] ?? ''];
}

/** Deep equality of plain data, whatever the order of names. */
function alike(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (typeof one !== 'object' || typeof other !== 'object' || !one || !other) return false;
  const [mine, theirs] = [Object.entries(one), Object.entries(other)];
  const named = new Map(theirs);
  return (
    mine.length === theirs.length &&
    mine.every(([name, value]) => named.has(name) && alike(value, named.get(name)))
  );
}

const BLANK: Omit<Layer, 'id' | 'item'> = {
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

/** Rounded to 0.01, halves upwards. [mm or degree] */
function hundredths(value: number): number {
  return Math.floor(100 * value + 0.5) / 100;
}

/** The same direction from −180 (not counted) to 180. [degree] */
export function wrapped(degrees: number): number {
  const turned = hundredths(((((degrees + 180) % 360) + 360) % 360) - 180);
  return turned === -180 ? 180 : turned;
}
