import type { Item, Layer } from '../api/gen/types.gen';
import { formatThickness, type Unit } from '../shared/units';
import { t, term } from '../words/words';
import { EFFECTS } from './traits.gen';

/** What a layer's label says under its name: which way it lies, and its state. */
export function describeLayer(layer: Layer, item: Item): string {
  const parts: string[] = [];
  if (layer.half) parts.push(t('{half} half', { half: term(layer.half) }), leading(layer));
  else if (item.blade) parts.push(layer.turned ? t('blade down') : t('blade up'));
  else if (item.kind === 'sheet')
    parts.push(
      layer.role === 'shim'
        ? t('shim')
        : layer.role === 'backing'
          ? t('backing')
          : layer.turned
            ? t('front down')
            : t('front up'),
    );
  else if (item.relief && item.kind !== 'motif') parts.push(layer.turned ? t('relief down') : t('relief up'));
  else if (layer.turned) parts.push(t('turned over'));
  if (layer.mist_age_s != null)
    parts.push(
      layer.mist_age_s < 1
        ? t('just misted, {face}', { face: term(layer.mist_face) })
        : t('misted {age} s ago, {face}', { age: Math.round(layer.mist_age_s), face: term(layer.mist_face) }),
    );
  if (layer.ink) parts.push(layer.ink.name.toLowerCase());
  if (layer.rotation_deg % 360 && !layer.half)
    parts.push(t('turned {turn}°', { turn: Math.round(layer.rotation_deg) }));
  if (item.scarred !== 'no') parts.push(item.scarred === 'one face' ? t('one face scarred') : t('scarred'));
  return parts.join(' · ');
}

/** Thickness with its uncertainty, such as 2.60 ± 0.06. */
export function thicknessWords(layer: Layer, item: Item, unit: Unit): string {
  const share = layer.half ? 0.5 : layer.count;
  const [value, ending] = formatThickness(item.thickness.mm * share, unit).split(' ');
  const spread = formatThickness(item.thickness.sd_mm * share, unit, unit === 'in' ? 3 : 2).split(' ')[0];
  return `${layer.count > 1 ? `${layer.count} × ${formatThickness(item.thickness.mm, unit).split(' ')[0]} = ` : ''}${value} ± ${spread} ${ending}`;
}

/** Which edge of a folder meets the rollers first: both schools are good, and the lie of the folder says which. */
function leading(layer: Layer): string {
  const turn = ((layer.rotation_deg % 360) + 360) % 360;
  if (turn === 0) return t('hinge first');
  return turn === 180 ? t('open edge first') : t('turned {turn}°', { turn: Math.round(turn) });
}

/** Which way a layer looks, in as few words as can be, to follow its name. */
export function shortFace(layer: Layer, item: Item): string {
  const parts: string[] = [];
  if (layer.half) parts.push(t('{half} half', { half: term(layer.half) }));
  else if (item.blade) parts.push(layer.turned ? t('blade down') : t('blade up'));
  else if (layer.role === 'shim') parts.push(layer.count > 1 ? t('shims') : t('shim'));
  else if (item.kind === 'sheet') parts.push(layer.turned ? t('front down') : t('front up'));
  else if (item.relief) parts.push(layer.turned ? t('face down') : t('face up'));
  if (layer.mist_age_s != null) parts.push(t('misted'));
  return parts.length > 0 ? `, ${parts.join(', ')}` : '';
}

/** What an effect is called. */
export const effectName = (kind: string): string => term(EFFECTS[kind as keyof typeof EFFECTS]);
