import type { Layer, Sandwich } from '../../api/gen/types.gen';
import { MATS } from '../../sandwich/traits.gen';
import { t } from '../../words/words';

/** A change that people ask about, to be seen beside the sandwich as it is. */
export interface Variant {
  key: string;
  name: string;
  /** Short names of the sandwich as it is and changed. */
  here: string;
  there: string;
  make: (sandwich: Sandwich) => Sandwich;
}

const MISTED = 15; // seconds between a mist and the rollers

function changeWorked(sandwich: Sandwich, change: (layer: Layer) => Layer): Sandwich {
  const worked = sandwich.layers.find(
    (layer) => sandwich.items[layer.item]?.kind === 'sheet' && (layer.role ?? 'sheet') === 'sheet',
  );
  return { ...sandwich, layers: sandwich.layers.map((layer) => (layer === worked ? change(layer) : layer)) };
}

/** The variants that make sense for a sandwich. */
export function variantsOf(sandwich: Sandwich): Variant[] {
  const found: Variant[] = [];
  const itemOf = (layer: Layer) => sandwich.items[layer.item];
  const sheet = sandwich.layers.find(
    (layer) => itemOf(layer)?.kind === 'sheet' && (layer.role ?? 'sheet') === 'sheet',
  );
  const stock = sheet && itemOf(sheet)?.stock;
  if (sheet && stock?.mist) {
    const wet = sheet.mist_age_s != null;
    found.push({
      key: 'mist',
      name: wet ? t('dry') : t('misted'),
      here: wet ? t('misted') : t('dry'),
      there: wet ? t('dry') : t('misted'),
      make: (now) => changeWorked(now, (layer) => ({ ...layer, mist_age_s: wet ? null : MISTED })),
    });
  }
  const passes = sandwich.passes > 1 ? 1 : 3;
  found.push({
    key: 'passes',
    name: passes === 1 ? t('one pass') : t('three passes'),
    here: sandwich.passes === 1 ? t('one pass') : t('{n} passes', { n: sandwich.passes }),
    there: passes === 1 ? t('one pass') : t('three passes'),
    make: (now) => ({ ...now, passes }),
  });
  const motif = sandwich.layers.find((layer) => itemOf(layer)?.kind === 'motif');
  if (motif) {
    const count = motif.count === 1 ? 2 : 1;
    const words = (n: number) => (n === 1 ? t('one motif layer') : t('{n} motif layers', { n }));
    found.push({
      key: 'motif',
      name: words(count),
      here: words(motif.count),
      there: words(count),
      make: (now) => ({
        ...now,
        layers: now.layers.map((layer) => (layer.id === motif.id ? { ...layer, count } : layer)),
      }),
    });
  }
  const die = sandwich.layers.findIndex((layer) => itemOf(layer)?.blade && !layer.half);
  const mat = sandwich.layers.findIndex((layer) => MATS.includes(itemOf(layer)?.kind ?? ''));
  if (die >= 0 && mat >= 0) {
    const up = !sandwich.layers[die]?.turned;
    found.push({
      key: 'blade',
      name: up ? t('blade down') : t('blade up'),
      here: up ? t('blade up') : t('blade down'),
      there: up ? t('blade down') : t('blade up'),
      make: (now) => upsideDown(now, Math.min(die, mat), Math.max(die, mat)),
    });
  }
  return found;
}

/** The part of the pile between die and mat upside down, the sheet keeping its face. */
function upsideDown(sandwich: Sandwich, from: number, to: number): Sandwich {
  const part = sandwich.layers
    .slice(from, to + 1)
    .reverse()
    .map((layer) => (sandwich.items[layer.item]?.blade ? { ...layer, turned: !layer.turned } : layer));
  return {
    ...sandwich,
    layers: [...sandwich.layers.slice(0, from), ...part, ...sandwich.layers.slice(to + 1)],
  };
}
