import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { platesQuery, RUNS } from '../../api/queries';
import { useRunStore } from './runStore';

/** Once a run is kept, lists of runs and what plates remember are fetched anew, wherever the person has gone meanwhile. */
export function useRunsFollow(): void {
  const client = useQueryClient();
  const saved = useRunStore((store) => store.saved);
  useEffect(() => {
    if (!saved) return;
    void client.invalidateQueries({ queryKey: RUNS });
    void client.invalidateQueries({ queryKey: platesQuery.queryKey });
  }, [saved, client]);
}
