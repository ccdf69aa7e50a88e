import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Sandwich } from '../../api/gen/types.gen';
import { freshRun, makeOne, startOne } from '../../api/making';
import { RUNS, SANDWICHES } from '../../api/queries';
import { say } from '../../shared/notices';
import { told } from '../../api/refusal';

/** A sandwich that was found goes on the bench, or straight to the press; it is kept first either way. */
export function useTakeAlong(sandwich: Sandwich) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const keep = async () => {
    const record = await makeOne(sandwich);
    await client.invalidateQueries({ queryKey: SANDWICHES });
    return record;
  };
  const guarded = (work: () => Promise<unknown>) => () => {
    work().catch((error: unknown) => say(told(error)));
  };
  return {
    onBench: guarded(async () => navigate(`/bench/${(await keep()).id}`)),
    toPress: guarded(async () => {
      const record = await keep();
      const run = await startOne({
        sandwich_id: record.id,
        state: 'open',
        body: freshRun(sandwich),
      });
      await client.invalidateQueries({ queryKey: RUNS });
      await navigate(`/press/${run.id}`);
    }),
  };
}
