import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { deleteRun } from '../../api/gen/sdk.gen';
import type { Sandwich } from '../../api/gen/types.gen';
import { freshRun, startOne } from '../../api/making';
import { judgeAnew, RUNS } from '../../api/queries';
import { told } from '../../api/refusal';
import { useEditor } from '../../sandwich/store';
import { say } from '../../shared/notices';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';
import { CoachLook } from './CoachLook';
import { effortOf } from './effort';

/** The coach on the bench: a cure is an edit of the pile that lies there, an answer a run in the log. */
export function BenchCoach({ id, sandwich }: { id: string; sandwich: Sandwich }) {
  const read = useWords();
  const client = useQueryClient();
  const edit = useEditor((editor) => editor.edit);
  const [noted, setNoted] = useState<string | null>(null);
  const old = async () => {
    await client.invalidateQueries({ queryKey: RUNS });
    await judgeAnew(client);
  };
  return (
    <CoachLook
      sandwich={sandwich}
      noted={noted}
      onCure={(cause) => edit(cause.cure.edits)}
      onThis={(cause, outcome, felt) => {
        const body = { ...freshRun(sandwich), result: outcome, cause: cause.key, effort: effortOf(felt) };
        startOne({ sandwich_id: id, state: 'finished', body })
          .then(async (run) => {
            setNoted(cause.key);
            await old();
            say(t('Logged: {cause}.', { cause: read(cause.title) }), () => {
              setNoted(null);
              deleteRun({ path: { run_id: run.id }, query: { version: run.version } })
                .then(old)
                .catch((error: unknown) => say(told(error)));
            });
          })
          .catch((error: unknown) => say(told(error)));
      }}
    />
  );
}
