import type { Item, Layer } from '../api/gen/types.gen';
import { formatThickness, type Unit } from '../shared/units';

/** What a layer's label says under its name: which way it lies, and its state. */
export function describeLayer(layer: Layer, item: Item): string {
  const parts: string[] = [];
  if (layer.half) parts.push(`${layer.half} half`, leading(layer));
  else if (item.blade) parts.push(layer.turned ? 'blade down' : 'blade up');
  else if (item.kind === 'sheet')
    parts.push(
      layer.role === 'shim'
        ? 'shim'
        : layer.role === 'backing'
          ? 'backing'
          : layer.turned
            ? 'front down'
            : 'front up',
    );
  else if (item.relief && item.kind !== 'motif') parts.push(layer.turned ? 'relief down' : 'relief up');
  else if (layer.turned) parts.push('turned over');
  if (layer.mist_age_s != null)
    parts.push(
      layer.mist_age_s < 1
        ? `just misted, ${layer.mist_face}`
        : `misted ${Math.round(layer.mist_age_s)} s ago, ${layer.mist_face}`,
    );
  if (layer.ink) parts.push(layer.ink.name.toLowerCase());
  if (layer.rotation_deg % 360 && !layer.half) parts.push(`turned ${Math.round(layer.rotation_deg)}°`);
  if (item.scarred !== 'no') parts.push(item.scarred === 'one face' ? 'one face scarred' : 'scarred');
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
  if (turn === 0) return 'hinge first';
  return turn === 180 ? 'open edge first' : `turned ${Math.round(turn)}°`;
}

/** Which way a layer looks, in as few words as can be, to follow its name. */
export function shortFace(layer: Layer, item: Item): string {
  const parts: string[] = [];
  if (layer.half) parts.push(`${layer.half} half`);
  else if (item.blade) parts.push(layer.turned ? 'blade down' : 'blade up');
  else if (layer.role === 'shim') parts.push(layer.count > 1 ? 'shims' : 'shim');
  else if (item.kind === 'sheet') parts.push(layer.turned ? 'front down' : 'front up');
  else if (item.relief) parts.push(layer.turned ? 'face down' : 'face up');
  if (layer.mist_age_s != null) parts.push('misted');
  return parts.length > 0 ? `, ${parts.join(', ')}` : '';
}
