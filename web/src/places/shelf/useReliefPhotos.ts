import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { depthOfTool, reliefInPhotos } from '../../api/gen/sdk.gen';
import type { Item, ShapeReading, ShelfEntry } from '../../api/gen/types.gen';
import { categoryQuery } from '../../api/queries';
import { asSentence } from '../../api/refusal';
import { fileAt } from '../../shared/dataAddress';
import { zipped } from '../../shared/zip';
import { t } from '../../words/words';
import type { Road } from './reliefRoads';

/** What a series of photos said of a tool: its heights as a file, its picture, and its depth as far as it is known. */
export interface Photographed {
  file: File;
  face: string;
  depth: number | undefined;
  /** Standard deviation of the depth. [mm] */
  spread: number | undefined;
  width: number;
  /** Whether that is the tool's own size, not a sheet's. */
  whole: boolean;
  sunk: boolean;
}

export type ReliefPhotosState = ReturnType<typeof useReliefPhotos>;

/** Photos of a tool's relief as they come in, and what was read from them; `result` once there is any. */
export function useReliefPhotos(item: Item) {
  const [road, setRoad] = useState<Road>('torch');
  const [files, setFiles] = useState<File[]>([]);
  const [perInch, setPerInch] = useState(300);
  const [ruler, setRuler] = useState(100);
  const [stock, setStock] = useState('');
  const presses = useQuery(categoryQuery('press')).data ?? [];
  const stocks = (useQuery({ ...categoryQuery('stock'), enabled: road === 'sheet' }).data ?? [])
    .filter((entry) => entry.item?.stock)
    .sort((one, other) => lightness(other) - lightness(one));
  const pressed = stock || (stocks[0]?.id ?? '');
  const read = useMutation({
    mutationFn: async (photos: File[]) =>
      reliefInPhotos({
        body: await zipped(photos),
        query:
          road === 'scans'
            ? { way: 'scans', per_inch: perInch }
            : {
                way: 'torch',
                ruler_mm: ruler,
                thickness_mm: road === 'sheet' ? undefined : item.thickness.mm,
              },
      }),
  });
  const putBack = useMutation({
    mutationFn: (found: ShapeReading) =>
      depthOfTool({
        body: {
          press_id: presses[0]?.id ?? '',
          tool: item,
          stock: pressed,
          depth_mm: found.depth_mm,
          spread_mm: found.depth_spread_mm ?? 0.3 * found.depth_mm,
        },
      }),
  });
  const take = (more: File[]) => {
    const all = [...files, ...more];
    setFiles(all);
    putBack.reset();
    read.mutate(all);
  };
  const start = (next: Road) => {
    setRoad(next);
    setFiles([]);
    read.reset();
    putBack.reset();
  };
  const found = read.data;
  const resultOf = (found: ShapeReading): Photographed => {
    const depth = road === 'sheet' ? (putBack.data?.depth_mm ?? found.depth_mm) : undefined;
    return {
      file: new File([fileAt(found.heights)], 'photos.png', { type: 'image/png' }),
      face: found.face,
      depth,
      spread: road === 'sheet' ? (putBack.data?.spread_mm ?? found.depth_spread_mm ?? undefined) : undefined,
      width: found.width_mm,
      whole: road !== 'sheet',
      sunk: found.sunk,
    };
  };
  const problem = read.error
    ? asSentence(read.error, t('The photos'))
    : putBack.error
      ? asSentence(putBack.error, t('The sheet'))
      : '';
  return {
    road,
    start,
    files,
    take,
    perInch,
    setPerInch,
    ruler,
    setRuler,
    stocks,
    stock: pressed,
    setStock,
    reading: read.isPending,
    putBack,
    canPutBack: stocks.length > 0 && presses.length > 0,
    found,
    problem,
    result: found && resultOf(found),
  };
}

/** How light a stock's face is; the lightest is the one that was most likely pressed. */
const lightness = (entry: ShelfEntry): number =>
  [1, 3, 5].reduce(
    (sum, at) => sum + parseInt(entry.item?.stock?.face_colour.slice(at, at + 2) ?? '0', 16),
    0,
  );
