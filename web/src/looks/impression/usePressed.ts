import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { ImpressionAnswer as Impression, Sandwich } from '../../api/gen/types.gen';
import type { FieldName } from '../../api/types';
import { fieldsQuery, impressionQuery, SHAPE } from '../../api/queries';
import type { Field } from '../../api/packedField';
import { depthOf, insideOf, surfaceOf, extentOf, type Extent, type Face, type Surface } from './surface';

export const MAPS = ['light', 'depth', 'pressure', 'crack', 'buckle', 'ink', 'cut'] as const;
export type MapName = (typeof MAPS)[number];

const TAB = crypto.randomUUID();

/** One result, complete and consistent in itself. */
export interface Seen {
  result: NonNullable<Impression['result']>;
  surface: Surface;
  extent: Extent;
  fields: Partial<Record<'upper' | 'lower' | 'tool' | 'pressed' | 'released', Field>>;
  /** Greatest value of the map that is shown, in its own unit. */
  top: number;
}

export interface Pressed {
  /** How far the run is. */
  answer: Impression | undefined;
  error: Error | null;
  seen: Seen | undefined;
}

const PROFILES: FieldName[] = ['tool', 'pressed', 'released'];
const ENDS: Partial<Record<MapName, number>> = { crack: 1.2, buckle: 1.2 };

/** The pressed sheet of a sandwich, as far as it is computed, made ready to be drawn. */
export function usePressed(
  sandwich: Sandwich | undefined,
  slot: string,
  face: Face,
  map: MapName,
  fixedTop?: number,
): Pressed {
  const query = useQuery(impressionQuery(sandwich, `${TAB}-${slot}`));
  const answer = sandwich ? query.data : undefined;
  const result = answer?.result ?? undefined;
  const stage = answer?.stage ?? '';
  const key = answer?.key ?? '';
  const looksUp = result && (face === 'front') === (result.panel.front === 'upper');
  const inkName: FieldName = looksUp ? 'ink_upper' : 'ink_lower';
  const source = map === 'light' && Object.keys(result?.figures.cut ?? {}).length > 0 ? 'cut' : map;
  const wanted: FieldName[] = [...SHAPE];
  if (source === 'crack' || source === 'buckle' || source === 'cut') wanted.push(source);
  if (result?.fields.includes(inkName)) wanted.push(inkName);
  const enabled = result !== undefined;
  const shapes = useQuery({ ...fieldsQuery(key, stage, wanted), enabled }).data;
  const profiles = useQuery({ ...fieldsQuery(key, stage, PROFILES), enabled }).data;
  const { upper, lower, pressure } = shapes ?? {};
  const { tool, pressed, released } = profiles ?? {};
  const extra = source === 'light' || source === 'depth' ? undefined : shapes?.[source as FieldName];
  const ink = shapes?.[inkName];
  const inside = useMemo(() => (pressure ? insideOf(pressure) : undefined), [pressure]);
  const extent = useMemo(
    () => (inside && result ? extentOf(inside, result.panel) : undefined),
    [inside, result],
  );
  const shown = useMemo(() => {
    if (!result || !upper || !lower || !inside || upper.rows !== result.panel.cells[0]) return undefined;
    const painted =
      map === 'depth'
        ? depthOf(face, result.panel, upper, lower, inside)
        : map === 'pressure'
          ? pressure
          : map === 'ink'
            ? (ink ?? { ...upper, values: new Float32Array(upper.values.length) })
            : extra;
    const greatest = painted
      ? painted.values.reduce((most, value, n) => (inside[n] && value > most ? value : most), 0)
      : 1;
    const top =
      source === 'cut' || map === 'ink' || map === 'light'
        ? 1
        : (fixedTop ?? roundTop(Math.max(greatest, ENDS[map] ?? 1e-6)));
    const surface = surfaceOf({
      panel: result.panel,
      face,
      upper,
      lower,
      inside,
      map: painted,
      top,
      ink,
    });
    return { surface, top };
  }, [result, upper, lower, inside, map, source, face, pressure, extra, ink, fixedTop]);
  const ready = useMemo(
    () =>
      shown && extent && result
        ? { ...shown, extent, result, fields: { upper, lower, tool, pressed, released } }
        : undefined,
    [shown, extent, result, upper, lower, tool, pressed, released],
  );
  // what was shown last stays until all of the newer is there, so that nothing flickers while a sandwich changes
  const [kept, setKept] = useState<Seen>();
  if (ready && ready !== kept) setKept(ready);
  return { answer, error: query.error, seen: sandwich ? (ready ?? kept) : undefined };
}

function roundTop(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const step = [1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].find((s) => s * power >= value * 0.999) ?? 10;
  return Number((step * power).toPrecision(4));
}
