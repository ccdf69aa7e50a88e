import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { judgeAnew, platesQuery, RUNS } from '../../api/queries';
import { useRunStore } from './runStore';

/** Once a run is kept, lists of runs and what plates remember are fetched anew, wherever the person has gone meanwhile. */
export function useRunsFollow(): void {
  const client = useQueryClient();
  const saved = useRunStore((store) => store.saved);
  const ended = useRunStore((store) => store.write !== undefined && store.write.state !== 'open');
  useEffect(() => {
    if (!saved) return;
    void client.invalidateQueries({ queryKey: RUNS });
    void client.invalidateQueries({ queryKey: platesQuery.queryKey });
    if (ended) void judgeAnew(client); // it teaches
  }, [saved, ended, client]);
}
