import type { Ink, Item, Layer, Press, Sandwich } from '../api/gen/types.gen';
import { blockOf, freshIds, outsideFolders, type Change } from './edits';
import { BASES, MOST_COPIES } from './traits.gen';

/** What hands on the page come to as edits; none where there is nothing to do. */

/** One step up or down; a folder steps over its neighbour as a whole. */
export function nudged(sandwich: Sandwich, id: string, step: 1 | -1): Change[] {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer) return [];
  const { start, end } = blockOf(sandwich.layers, layer);
  if (start + step < 0 || end + step > sandwich.layers.length) return [];
  return [{ op: 'move', layer: id, to: start + step }];
}

/** Dropped at a place of the pile as it was before. */
export function dropped(sandwich: Sandwich, id: string, place: number): Change[] {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer) return [];
  const { start } = blockOf(sandwich.layers, layer);
  const to = place > start ? place - 1 : place;
  return to === start ? [] : [{ op: 'move', layer: id, to }];
}

/** Where something from the shelf belongs: the first sheet in the folder, the bed below all, the rest over what is selected and in no folder. */
export function placeFor(sandwich: Sandwich, item: Item, selected: string | undefined): number {
  const { layers } = sandwich;
  if (BASES.includes(item.kind)) return 0;
  const half = layers.findIndex((layer) => layer.half);
  const firstSheet = item.kind === 'sheet' && !layers.some((layer) => layer.role === 'sheet');
  if (firstSheet && half >= 0) return half + 1;
  const index = layers.findIndex((layer) => layer.id === selected);
  return outsideFolders(layers, index < 0 ? layers.length : index + 1, true);
}

/** Puts something from the shelf in; the second sheet of card and every one after it is a shim. */
export function added(sandwich: Sandwich, item: Item, at: number): { edits: Change[]; id: string } {
  const hasSheet = sandwich.layers.some((layer) => layer.role === 'sheet');
  const role = item.kind === 'sheet' ? (hasSheet ? 'shim' : 'sheet') : null;
  return { edits: [{ op: 'put', item, at, role }], id: freshIds(sandwich.layers)[0] };
}

/** So many equal sheets; nothing for what lies there once. */
export function counted(sandwich: Sandwich, id: string, count: number): Change[] {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer || layer.half || count < 1 || count > MOST_COPIES || layer.count === count) return [];
  return [{ op: 'set', layer: id, count }];
}

/** The shelf's next ink in turn, and after the last one none. */
export function inkedNext(sandwich: Sandwich, id: string, inks: Ink[]): Change[] {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer || inks.length === 0) return [];
  const next = inks[inks.findIndex((ink) => ink.name === layer.ink?.name) + 1];
  return [next ? { op: 'set', layer: id, ink: next } : { op: 'set', layer: id, no_ink: true }];
}

/** Mist goes on sheets only: on the one named, else on the sheet being worked. */
export function misted(sandwich: Sandwich, id: string, age: number | null): Change[] {
  const named = sandwich.layers.find((candidate) => candidate.id === id);
  const isSheet = named && sandwich.items[named.item]?.kind === 'sheet';
  const sheet = isSheet ? named : sandwich.layers.find((candidate) => candidate.role === 'sheet');
  if (!sheet || sheet.mist_age_s === age) return [];
  return [
    age === null
      ? { op: 'set', layer: sheet.id, dry: true }
      : { op: 'set', layer: sheet.id, mist_age_s: age },
  ];
}

/** Turned in its plane by some degrees. */
export function rotated(sandwich: Sandwich, id: string, degrees: number): Change[] {
  const layer = sandwich.layers.find((candidate) => candidate.id === id);
  if (!layer) return [];
  return [{ op: 'set', layer: id, rotation_deg: (layer.rotation_deg + degrees + 360) % 360 }];
}

/** True if both hold the same things in the same order, wherever on the bed they lie. */
export function sameStack(one: Sandwich, other: Sandwich): boolean {
  const ids = ({ layers }: Sandwich) => layers.map((layer: Layer) => `${layer.id} ${layer.item}`).join();
  return (
    ids(one) === ids(other) && Object.keys(one.items).every((key) => one.items[key] === other.items[key])
  );
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
