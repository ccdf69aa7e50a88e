import type { Item, ReliefReading } from '../../api/gen/types.gen';
import { t } from '../../words/words';

export type ReliefUse = 'relief' | 'plateau' | 'blade' | 'window';

export const USE_NAMES: Record<ReliefUse, string> = {
  relief: t('relief with heights'),
  plateau: t('flat raised shape'),
  blade: t('blade on outlines'),
  window: t('windows in it'),
};

/** What a file can become on a thing: nothing on plates and sheets. */
export function usesOf(item: Item): ReliefUse[] {
  const found: ReliefUse[] = [];
  if (item.relief) found.push('relief', 'plateau');
  if (item.blade) found.push('blade');
  if (item.kind === 'pressure mask' || item.kind === 'frame') found.push('window');
  return found;
}

/** What a file most likely is on a thing. */
export function likelyUse(item: Item, fileName: string): ReliefUse {
  const outlines = fileName.toLowerCase().endsWith('.svg');
  if (!item.relief) return item.blade ? 'blade' : 'window';
  return outlines ? (item.blade ? 'blade' : 'plateau') : 'relief';
}

/** The thing with a kept relief: its figures follow what was read. */
export function withRelief(
  item: Item,
  use: ReliefUse,
  read: ReliefReading,
  takeSize: boolean,
  depthSd = item.relief?.sd_mm ?? 0,
): Item {
  const size = takeSize ? { width_mm: read.width_mm, length_mm: read.length_mm } : {};
  if (use === 'window') return { ...item, windows: read.windows };
  if (use === 'blade' && item.blade) {
    const blade = {
      ...item.blade,
      height_mm: read.depth_mm,
      length_mm: Math.max(read.blade_mm, 1),
      map: read.id,
    };
    return { ...item, ...size, blade };
  }
  if (!item.relief) return item;
  const relief = {
    ...item.relief,
    height_mm: read.depth_mm,
    sd_mm: depthSd,
    // a flat shape has no flank: over what width the sheet bridges its gaps stays as it was written down
    span_mm: use === 'plateau' ? item.relief.span_mm : read.span_mm,
    raised_share: read.raised_share,
    map: read.id,
  };
  const outline =
    takeSize && item.kind === 'motif' && read.outline ? { outline: read.outline as Item['outline'] } : {};
  return { ...item, ...size, ...outline, relief };
}
