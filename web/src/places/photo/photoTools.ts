import { keepPicture, readRelief, shapeOfTool } from '../../api/gen/sdk.gen';
import type { Item, PhotoReading, ShelfEntry, ToolReading } from '../../api/gen/types.gen';
import { fileAt } from '../../shared/dataAddress';
import { typical } from '../shelf/newThing';
import { NUMBERED } from '../shelf/numbered';
import { withRelief } from '../shelf/reliefUse';
import type { Ring } from './drawn';

/** A tool found in a photo, with what the person says of it. */
export interface Draft {
  /** Which of the photos shows it. */
  photo: number;
  tool: ToolReading;
  kind: string;
  name: string;
  thickness: number;
  wanted: boolean;
  /** Where a die's blade runs, and which of its runs are none. */
  along: 'middle' | 'edge';
  without: number[];
  /** As it was found, once it is corrected. */
  found?: ToolReading;
}

/** What somebody corrects of a tool's shape. */
export interface Correction {
  outline?: Ring;
  windows?: Ring[];
  thickness?: number;
  kind?: string;
  along?: 'middle' | 'edge';
  without?: number[];
}

/** A draft with a corrected shape, worked out by the core; `seenFrom` is where the camera was. */
export async function corrected(
  draft: Draft,
  seenFrom: PhotoReading['seen_from'],
  change: Correction,
): Promise<Partial<Draft>> {
  const { tool } = draft;
  const { kind = draft.kind, thickness = draft.thickness, along = draft.along } = change;
  const without = change.without ?? (change.along || change.outline ? [] : draft.without);
  const shape = await shapeOfTool({
    body: {
      outline_on_sheet: change.outline ?? tool.outline_on_sheet,
      windows_on_sheet: change.windows ?? tool.windows_on_sheet,
      seen_from: seenFrom,
      taken_as_mm: tool.taken_as_mm,
      thickness_mm: thickness,
      along: typical(kind).item?.blade ? along : null,
      without,
    },
  });
  return {
    tool: { ...tool, ...shape, taken_as_mm: thickness },
    kind,
    thickness,
    along,
    without,
    found: draft.found ?? tool,
  };
}

/** Which of all runs of a blade one of those is that are shown. */
export function runOf({ without }: Draft, shown: number): number {
  let run = -1;
  for (let left = shown; left >= 0; left -= without.includes(run) ? 0 : 1) run += 1;
  return run;
}

export const thicknessOf = (kind: string): number => typical(kind).item?.thickness.mm ?? 1;

/** What is proposed for every tool in a photo, the how-many-th of its series. */
export function drafts(reading: PhotoReading, photo: number): Draft[] {
  return reading.tools.map((tool) => {
    const kind = tool.kinds[0] ?? 'thin die';
    const thickness = thicknessOf(kind);
    const wanted = !tool.cut_off;
    return { photo, tool, kind, name: '', thickness, wanted, along: 'middle', without: [] };
  });
}

/** The thing that a draft becomes, with the key of the whole photo where that is kept: typical for its kind, with its own size, outline, openings and blade. */
export async function itemOf(draft: Draft, name: string, photo?: string): Promise<Item> {
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
    picture: (await keepPicture({ body: fileAt(tool.picture) })).id,
    photo: photo ?? null,
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
    const rest = item.name.toLowerCase().replace(NUMBERED, '');
    return rest === kind || item.name.toLowerCase() === kind;
  });
}
