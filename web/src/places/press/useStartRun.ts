import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { freshRun, startOne } from '../../api/making';
import { RUNS, sandwichQuery } from '../../api/queries';
import { saveNow, useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';
import { told } from '../../api/refusal';

/** Takes a sandwich to the press: one that is kept, or the one on the bench, which is saved first; `plan` is the one whose work it is. */
export function useStartRun(): (kept?: string, plan?: string) => void {
  const client = useQueryClient();
  const navigate = useNavigate();
  const start = async (kept?: string, plan?: string) => {
    await saveNow();
    const onBench = useEditor.getState();
    const id = kept ?? onBench.id;
    const sandwich = kept ? (await client.query(sandwichQuery(kept))).sandwich : onBench.sandwich;
    if (!sandwich) return;
    const run = await startOne({
      sandwich_id: id ?? null,
      state: 'open',
      body: freshRun(sandwich),
    });
    void client.invalidateQueries({ queryKey: RUNS });
    await navigate(plan ? `/press/${run.id}?plan=${plan}` : `/press/${run.id}`);
  };
  return (kept, plan) => {
    start(kept, plan).catch((error: unknown) => say(told(error)));
  };
}
