import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ServiceError, type ShelfEntry, type ShelfWrite } from '../../api/client';
import { shelfQuery } from '../../api/queries';
import { refreshFromShelf } from '../../sandwich/operations';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';

/** Writes to the shelf; the list follows at once, and so does the sandwich on the bench. */
export function useShelfActions() {
  const client = useQueryClient();
  const replace = (entry: ShelfEntry) => {
    client.setQueryData(shelfQuery.queryKey, (list: ShelfEntry[] | undefined) =>
      list?.map((known) => (known.id === entry.id ? entry : known)),
    );
    useEditor.getState().refresh((now) => refreshFromShelf(now, entry));
  };
  const failed = (error: Error) => {
    say(error instanceof ServiceError ? error.message : String(error));
    if (error instanceof ServiceError && error.code === 'conflict') replace(error.current as ShelfEntry);
    else void client.invalidateQueries({ queryKey: shelfQuery.queryKey });
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
  const refetch = () => client.invalidateQueries({ queryKey: shelfQuery.queryKey });
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
