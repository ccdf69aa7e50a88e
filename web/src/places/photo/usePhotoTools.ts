import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { addToShelf, changeShelfEntry, keepPicture, toolsInPhoto } from '../../api/gen/sdk.gen';
import type { PhotoReading } from '../../api/gen/types.gen';
import { once } from '../../api/once';
import { shelfFindQuery, SHELF } from '../../api/queries';
import { asSentence, told } from '../../api/refusal';
import { say } from '../../shared/notices';
import { formatSides, useUnit, type Unit } from '../../shared/units';
import { t, term } from '../../words/words';
import {
  corrected,
  drafts as draftsOf,
  itemOf,
  nameless,
  runOf,
  type Correction,
  type Draft,
} from './photoTools';

const LARGEST = 24_000_000; // bytes, as the service has it

/** Photos of tools as they are read, corrected and put on the shelf; `onShelf` follows once all are there. */
export function usePhotoTools(ruler: number, onShelf: () => void) {
  const unit = useUnit((choice) => choice.unit);
  const client = useQueryClient();
  const [readings, setReadings] = useState<PhotoReading[]>([]);
  const [left, setLeft] = useState(0);
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const [chosen, setChosen] = useState(0);
  const [problem, setProblem] = useState('');
  const [keeping, setKeeping] = useState(false);
  const shown = useRef<PhotoReading[]>([]);
  const current = useRef<Draft[]>([]);
  const taken = useRef<File[]>([]);
  const hold = (next: Draft[]) => {
    current.current = next;
    setDrafts(next);
  };
  const read = useMutation({
    mutationFn: async (files: File[]) => {
      const wrong: string[] = [];
      for (const [n, file] of files.entries()) {
        setLeft(files.length - n);
        try {
          const found = await toolsInPhoto({ body: file, query: { ruler_mm: ruler } });
          if (n === 0) setChosen(shown.current.flatMap((each) => each.tools).length);
          const own = draftsOf(found, shown.current.length);
          shown.current = [...shown.current, found];
          taken.current = [...taken.current, file];
          hold([...current.current, ...own]);
          setReadings(shown.current);
        } catch (error) {
          const words = asSentence(error as Error, t('The photo'));
          wrong.push(files.length > 1 ? `${file.name}: ${words}` : words);
        }
      }
      return wrong;
    },
    onMutate: () => setProblem(''),
    onSuccess: (wrong) => setProblem(wrong.join(' ')),
  });
  const take = (files: File[]) => {
    const large = files.find((file) => file.size > LARGEST);
    if (large) setProblem(t('{name} is over 24 MB. Send a smaller copy.', { name: large.name }));
    else read.mutate(files);
  };
  const startOver = () => {
    shown.current = [];
    taken.current = [];
    setReadings([]);
    hold([]);
    setProblem('');
  };
  const change = (index: number, part: Partial<Draft>) =>
    hold(current.current.map((draft, n) => (n === index ? { ...draft, ...part } : draft)));
  const correct = useMutation({
    scope: { id: 'photographed tools' }, // each starts from what the one before it left
    mutationFn: async ({ index, part }: { index: number; part: Correction }) => {
      const draft = current.current[index];
      const seen = draft && shown.current[draft.photo]?.seen_from;
      if (draft && seen) change(index, await corrected(draft, seen, part));
    },
    onError: (error) => say(asSentence(error, t('The outline'))),
  });
  const put = useMutation({
    mutationFn: () =>
      putOnShelf(client, current.current, {
        unit,
        files: keeping ? taken.current : [],
        onPut: (index) => change(index, { wanted: false }), // it is not put there again if a later one fails
      }),
    onSuccess: (count) => {
      say(t('{count} tools are on the shelf.', { count }));
      onShelf();
    },
    onError: (error) => say(told(error)),
    onSettled: () => client.invalidateQueries({ queryKey: SHELF }),
  });
  return {
    readings,
    drafts,
    chosen,
    choose: setChosen,
    problem,
    left: read.isPending ? left : 0,
    take,
    startOver,
    change,
    correct: (index: number, part: Correction) => correct.mutate({ index, part }),
    /** Takes a run of a tool's blade, as shown, off its blade. */
    without: (index: number, run: number) => {
      const draft = current.current[index];
      if (draft) correct.mutate({ index, part: { without: [...draft.without, runOf(draft, run)] } });
    },
    correcting: correct.isPending,
    keeping,
    keepPhotos: setKeeping,
    put: () => put.mutate(),
    putting: put.isPending,
  };
}

export type PhotoTools = ReturnType<typeof usePhotoTools>;

interface Putting {
  unit: Unit;
  /** Photos that are kept with their tools. */
  files: File[];
  onPut: (index: number) => void;
}

/** Puts wanted tools on the shelf, nameless ones of their kind first; says how many. */
async function putOnShelf(
  client: QueryClient,
  drafts: Draft[],
  { unit, files, onPut }: Putting,
): Promise<number> {
  const free = new Map<string, ReturnType<typeof nameless>>();
  const photos = new Map<number, string>();
  const photoOf = async (n: number) => {
    const file = files[n];
    if (!file) return undefined;
    const key = photos.get(n) ?? (await keepPicture({ body: file })).id;
    photos.set(n, key);
    return key;
  };
  let count = 0;
  for (const [index, draft] of drafts.entries()) {
    if (!draft.wanted) continue;
    const known =
      free.get(draft.kind) ?? nameless((await client.query(shelfFindQuery(draft.kind))).entries, draft.kind);
    const entry = known.shift();
    free.set(draft.kind, known);
    const size = formatSides(draft.tool.width_mm, draft.tool.length_mm, unit);
    const name = draft.name.trim() || t('{kind} {size}', { kind: term(draft.kind), size });
    const item = await itemOf(draft, name, await photoOf(draft.photo));
    if (entry)
      await changeShelfEntry({ path: { entry_id: entry.id }, body: { item, version: entry.version } });
    else await once('photographed', { item }, (headers) => addToShelf({ body: { item }, headers }));
    onPut(index);
    count += 1;
  }
  return count;
}
