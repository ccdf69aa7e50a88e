import { readRelief } from '../../api/gen/sdk.gen';
import type { Item, PhotoReading, ShelfEntry, ToolReading } from '../../api/gen/types.gen';
import { typical } from '../shelf/newThing';
import { withRelief } from '../shelf/reliefUse';

/** A tool found in a photo, with what the person says of it. */
export interface Draft {
  /** Which of the photos shows it. */
  photo: number;
  tool: ToolReading;
  kind: string;
  name: string;
  thickness: number;
  wanted: boolean;
}

const NAMELESS = /^((\d+(st|nd|rd|th)|\w+(st|nd|rd|th)) )?/i;

export const thicknessOf = (kind: string): number => typical(kind).item?.thickness.mm ?? 1;

/** What is proposed for every tool in a photo, the how-many-th of its series. */
export function drafts(reading: PhotoReading, photo: number): Draft[] {
  return reading.tools.map((tool) => {
    const kind = tool.kinds[0] ?? 'thin die';
    return { photo, tool, kind, name: '', thickness: thicknessOf(kind), wanted: !tool.cut_off };
  });
}

/** The thing that a draft becomes: typical for its kind, with its own size, outline, openings and blade. */
export async function itemOf(draft: Draft, name: string): Promise<Item> {
  const start = typical(draft.kind).item;
  if (!start) throw new Error(draft.kind);
  const { tool } = draft;
  const item: Item = {
    ...start,
    name,
    length_mm: tool.length_mm,
    width_mm: tool.width_mm,
    thickness: { ...start.thickness, mm: draft.thickness },
    outline: tool.outline,
    windows: start.windows.length ? tool.windows : [],
  };
  if (!item.blade || !tool.blade) return item;
  const kept = await readRelief({
    body: new Blob([tool.blade], { type: 'image/svg+xml' }),
    query: { use: 'blade', depth_mm: item.blade.height_mm, keep: true, name },
  });
  return withRelief(item, 'blade', kept, false);
}

/** Things of a kind that set out put on the shelf by number alone: photographs fill them in. */
export function nameless(shelf: ShelfEntry[], kind: string): ShelfEntry[] {
  const plain = typical(kind).item;
  return shelf.filter(({ item }) => {
    if (!item || item.kind !== kind || item.outline || item.blade?.map || item.relief?.map) return false;
    if (item.width_mm !== plain?.width_mm || item.length_mm !== plain.length_mm) return false;
    if (item.thickness.source !== 'typical') return false;
    const rest = item.name.toLowerCase().replace(NAMELESS, '');
    return rest === kind || item.name.toLowerCase() === kind;
  });
}
