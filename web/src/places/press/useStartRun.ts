import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, ServiceError } from '../../api/client';
import { RUNS } from '../../api/queries';
import { saveNow } from '../../sandwich/saving';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';

/** Takes the sandwich on the bench to the press; what is on the bench is saved first. */
export function useStartRun(): () => void {
  const client = useQueryClient();
  const navigate = useNavigate();
  const start = async () => {
    await saveNow();
    const { id, sandwich } = useEditor.getState();
    if (!sandwich) return;
    const run = await api.startRun({
      sandwich_id: id ?? null,
      state: 'open',
      body: { sandwich, step: 0, turns: 0, wait_ends: null, events: [], result: null, note: '' },
    });
    await client.invalidateQueries({ queryKey: RUNS });
    await navigate(`/press/${run.id}`);
  };
  return () => {
    start().catch((error: unknown) => say(error instanceof ServiceError ? error.message : String(error)));
  };
}
