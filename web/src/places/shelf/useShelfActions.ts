import { useMutation, useQueryClient, type InfiniteData } from '@tanstack/react-query';
import { api, ServiceError, type ShelfEntry, type ShelfPage, type ShelfWrite } from '../../api/client';
import { SHELF } from '../../api/queries';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';

/** What is known of the shelf: a category, what was found, or windows of it. */
type Known = ShelfEntry[] | ShelfPage | InfiniteData<ShelfPage>;

function replaced(known: Known, entry: ShelfEntry): Known {
  const list = (entries: ShelfEntry[]) => entries.map((old) => (old.id === entry.id ? entry : old));
  if (Array.isArray(known)) return list(known);
  if ('entries' in known) return { ...known, entries: list(known.entries) };
  return { ...known, pages: known.pages.map((page) => ({ ...page, entries: list(page.entries) })) };
}

/** Writes to the shelf; the list follows at once, and so does the sandwich on the bench. */
export function useShelfActions() {
  const client = useQueryClient();
  const replace = (entry: ShelfEntry) => {
    client.setQueriesData({ queryKey: SHELF }, (known: Known | undefined) => known && replaced(known, entry));
    const { item, press } = entry;
    useEditor.getState().refresh({ op: 'refresh', item, press });
  };
  const failed = (error: Error) => {
    say(error instanceof ServiceError ? error.message : String(error));
    if (error instanceof ServiceError && error.code === 'conflict') replace(error.current as ShelfEntry);
    else void client.invalidateQueries({ queryKey: SHELF });
  };
  const options = {
    onError: failed,
    onSettled: () => void client.invalidateQueries({ queryKey: ['sandwich'], refetchType: 'none' }),
  };
  const change = useMutation({
    ...options,
    mutationFn: ({ entry, write }: { entry: ShelfEntry; write: ShelfWrite }) =>
      api.changeShelfEntry(entry.id, entry.version, write),
    onSuccess: replace,
  });
  const refetch = () => client.invalidateQueries({ queryKey: SHELF });
  const copy = useMutation({
    ...options,
    mutationFn: (entry: ShelfEntry) => api.copyShelfEntry(entry.id),
    onSuccess: refetch,
  });
  const add = useMutation({
    ...options,
    mutationFn: (write: ShelfWrite) => api.addToShelf(write),
    onSuccess: refetch,
  });
  const remove = useMutation({
    ...options,
    mutationFn: (entry: ShelfEntry) => api.deleteShelfEntry(entry.id, entry.version),
    onSuccess: refetch,
  });
  return { change, copy, add, remove };
}
