import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { Link } from 'react-router';
import { getJobOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { JobFile } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { usePlan } from './planStore';

/** The plan of an address, opened for work; until it is there, or where it cannot be, what to show instead. */
export function useOpenedPlan(id: string): { job: JobFile | undefined; instead: ReactNode } {
  const kept = useQuery({
    ...getJobOptions({ path: { job_id: id } }),
    refetchOnWindowFocus: false,
    staleTime: Infinity,
    gcTime: 0,
  });
  const opened = usePlan((plan) => plan.id);
  const job = usePlan((plan) => plan.job);
  const open = usePlan((plan) => plan.open);
  useEffect(() => {
    if (kept.data) open(kept.data);
  }, [kept.data, open]);
  if (job && opened === id && !kept.error) return { job, instead: null };
  return {
    job: undefined,
    instead: (
      <Box sx={{ padding: 6 }}>
        {kept.error ? (
          <Notice title={t("Can't open this plan.")} text={asSentence(kept.error)}>
            <Link to="/plan" style={{ color: colour.accent }}>
              {t('All plans')}
            </Link>
          </Notice>
        ) : (
          <Notice title={t('Opening the plan')} text={t('One moment.')} />
        )}
      </Box>
    ),
  };
}
