import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { listPaperQueryKey } from '../../api/gen/@tanstack/react-query.gen';
import { putJobAway } from '../../api/gen/sdk.gen';
import type { JobFile } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { saveJobNow, usePlan } from './planStore';

/** The end of a job: off-cuts and sheets that are left go back to the paper there is. */
export function PutAway({ id, job }: { id: string; job: JobFile }) {
  const queries = useQueryClient();
  const taken = usePlan((plan) => plan.taken);
  const [refused, setRefused] = useState<string>();
  if (job.put_away)
    return (
      <Box sx={{ color: colour.quiet }}>
        {t('Its sheets and off-cuts are saved. Find your paper on the page with all plans.')}
      </Box>
    );
  const away = async () => {
    try {
      await saveJobNow();
      taken(await putJobAway({ path: { job_id: id }, body: { version: usePlan.getState().version } }));
      await queries.invalidateQueries({ queryKey: listPaperQueryKey() });
      setRefused(undefined);
    } catch (error) {
      setRefused(asSentence(error as Error));
    }
  };
  return (
    <Box>
      <Button
        variant="outlined"
        onClick={() => void away()}
        title={t('Takes the cut sheets off your paper on hand, and saves the off-cuts for the next job.')}
      >
        {t('Save the leftovers')}
      </Button>
      {refused && (
        <Box role="alert" sx={{ color: colour.stop }}>
          {refused}
        </Box>
      )}
    </Box>
  );
}
