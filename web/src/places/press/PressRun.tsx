import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { deleteRun } from '../../api/gen/sdk.gen';
import { addresses } from '../../api/service';
import { storedVersion } from '../../api/making';
import { cardQuery, runQuery, RUNS } from '../../api/queries';
import { say } from '../../shared/notices';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { KeptRun } from './KeptRun';
import { OutcomeScreen } from './OutcomeScreen';
import { useRunStore } from './runStore';
import { StepScreen } from './StepScreen';
import { useWakeLock } from './useWakeLock';
import { ServiceError, told } from '../../api/refusal';
import { t } from '../../words/words';

/** `/press/:id`: one run, a step a screen; with a way back to the plan that it is a part of. */
export function PressRun() {
  const plan = useSearchParams()[0].get('plan');
  if (!plan) return <OneRun />;
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box sx={{ padding: '6px 32px 0', flexShrink: 0 }}>
        <Link to={`/plan/${encodeURIComponent(plan)}/work`} style={{ color: colour.accent, fontWeight: 700 }}>
          {t("Back to the plan's work")}
        </Link>
      </Box>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <OneRun />
      </Box>
    </Box>
  );
}

function OneRun() {
  const { id = '' } = useParams();
  const record = useQuery(runQuery(id));
  const open = useRunStore((store) => store.open);
  const opened = useRunStore((store) => store.id);
  const write = useRunStore((store) => store.write);
  const card = useQuery(cardQuery(opened === id ? write?.body.sandwich : undefined));
  const client = useQueryClient();
  const navigate = useNavigate();
  useWakeLock();
  useEffect(() => {
    if (record.data) open(record.data);
  }, [record.data, open]);

  const forget = async () => {
    try {
      await deleteRun({ path: { run_id: id }, query: { version: await storedVersion(id) } });
      await client.invalidateQueries({ queryKey: RUNS });
      await navigate('/press');
    } catch (error) {
      say(told(error));
    }
  };
  const failed = record.error ?? card.error;
  if (failed)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice title={t("This run can't go on here.")} text={failed.message}>
          <Link to="/press">{t('All runs')}</Link>
          {record.error instanceof ServiceError && record.error.code === 'stored-unreadable' && (
            <>
              <a href={addresses.storedRun(id)} download="as-stored.json" style={{ marginLeft: 24 }}>
                {t('Save it as stored')}
              </a>
              <Button color="inherit" onClick={() => void forget()} sx={{ marginLeft: 2 }}>
                {t('Discard it')}
              </Button>
            </>
          )}
        </Notice>
      </Box>
    );
  if (opened !== id || !write || !card.data)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice title={t('Opening the card')} text={t('One moment.')} />
      </Box>
    );
  if (write.state !== 'open') return <KeptRun id={id} write={write} />;
  const step = card.data.steps[write.body.step];
  if (!step) return <OutcomeScreen id={id} body={write.body} />;
  return <StepScreen card={card.data} body={write.body} step={step} />;
}
