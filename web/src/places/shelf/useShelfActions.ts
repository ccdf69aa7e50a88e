import { useMutation, useQueryClient, type InfiniteData } from '@tanstack/react-query';
import type { ShelfEntry, ShelfPage, ShelfWrite } from '../../api/gen/types.gen';
import { addToShelf, changeShelfEntry, copyShelfEntry, deleteShelfEntry } from '../../api/gen/sdk.gen';
import { once } from '../../api/once';
import { SANDWICH, SHELF } from '../../api/queries';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';
import { ServiceError, told } from '../../api/refusal';

/** What is known of the shelf: a category, what was found, or windows of it. */
type Known = ShelfEntry[] | ShelfPage | InfiniteData<ShelfPage>;

function replaced(known: Known, entry: ShelfEntry): Known {
  const list = (entries: ShelfEntry[]) => entries.map((old) => (old.id === entry.id ? entry : old));
  if (Array.isArray(known)) return list(known);
  if ('entries' in known) return { ...known, entries: list(known.entries) };
  return { ...known, pages: known.pages.map((page) => ({ ...page, entries: list(page.entries) })) };
}

/** Versions that this page wrote itself; what somebody else wrote is a conflict. */
const written = new Map<string, number>();
const newest = (entry: ShelfEntry) => Math.max(entry.version, written.get(entry.id) ?? 0);

/** Writes to the shelf; the list follows at once, and so does the sandwich on the bench. */
export function useShelfActions() {
  const client = useQueryClient();
  const replace = (entry: ShelfEntry) => {
    client.setQueriesData({ queryKey: SHELF }, (known: Known | undefined) => known && replaced(known, entry));
    const { item, press } = entry;
    useEditor.getState().refresh({ op: 'refresh', item, press });
  };
  const failed = (error: Error) => {
    say(told(error));
    if (error instanceof ServiceError && error.code === 'conflict') replace(error.current as ShelfEntry);
    else void client.invalidateQueries({ queryKey: SHELF });
  };
  const options = {
    onError: failed,
    onSettled: () => void client.invalidateQueries({ queryKey: SANDWICH, refetchType: 'none' }),
  };
  const change = useMutation({
    ...options,
    scope: { id: 'shelf' }, // one after the other, each on what the one before left
    mutationFn: ({ entry, write }: { entry: ShelfEntry; write: ShelfWrite }) =>
      changeShelfEntry({ path: { entry_id: entry.id }, body: { ...write, version: newest(entry) } }),
    onSuccess: (entry: ShelfEntry) => {
      written.set(entry.id, entry.version);
      replace(entry);
    },
  });
  const refetch = () => client.invalidateQueries({ queryKey: SHELF });
  const seek = () => void refetch(); // not waited for: what was made is opened at once, so that it appears open
  const copy = useMutation({
    ...options,
    mutationFn: (entry: ShelfEntry) =>
      once('shelf copy', entry.id, (headers) => copyShelfEntry({ path: { entry_id: entry.id }, headers })),
    onSuccess: seek,
  });
  const add = useMutation({
    ...options,
    mutationFn: (write: ShelfWrite) =>
      once('shelf', write, (headers) => addToShelf({ body: write, headers })),
    onSuccess: seek,
  });
  const remove = useMutation({
    ...options,
    mutationFn: (entry: ShelfEntry) =>
      deleteShelfEntry({ path: { entry_id: entry.id }, query: { version: newest(entry) } }),
    onSuccess: refetch,
  });
  return { change, copy, add, remove };
}
