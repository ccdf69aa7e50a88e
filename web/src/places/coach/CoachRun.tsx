import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { changeRun } from '../../api/gen/sdk.gen';
import type { RunBody, Sandwich } from '../../api/gen/types.gen';
import { makeOne } from '../../api/making';
import { judgeAnew, RUN, runQuery, RUNS, SANDWICHES } from '../../api/queries';
import { told } from '../../api/refusal';
import { CoachLook } from '../../looks/coach/CoachLook';
import { effortOf } from '../../looks/coach/effort';
import { outcomeWords } from '../../looks/outcomes';
import { applyEdits } from '../../sandwich/edits';
import { PileList } from '../../sandwich/PileList';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { useWords } from '../../shared/useWords';
import { NARROW } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** `/coach/:run`: what went wrong with one run; the answer goes into its entry in the log. */
export function CoachRun() {
  const { run: id = '' } = useParams();
  const read = useWords();
  const record = useQuery(runQuery(id));
  const client = useQueryClient();
  const navigate = useNavigate();
  if (record.error || !record.data)
    return (
      <Box sx={{ padding: 6 }}>
        {record.error ? (
          <Notice title={t("Can't read this run.")} text={record.error.message}>
            <Link to="/coach">{t('Other sheets')}</Link>
          </Notice>
        ) : (
          <Notice title={t('Opening the run')} text={t('One moment.')} />
        )}
      </Box>
    );
  const { body, sandwich_id, state } = record.data;
  const { sandwich, result, cause } = body;
  const keep = async (changed: Partial<RunBody>) => {
    const latest = await client.query({ ...runQuery(id), staleTime: 0 });
    await changeRun({
      path: { run_id: id },
      body: { sandwich_id, state, body: { ...latest.body, ...changed }, version: latest.version },
    });
    await client.invalidateQueries({ queryKey: RUN });
    await client.invalidateQueries({ queryKey: RUNS });
    await judgeAnew(client);
  };
  const guarded = (work: Promise<unknown>) => {
    work.catch((error: unknown) => say(told(error)));
  };
  const layOut = async (cured: Sandwich) => {
    const made = await makeOne(cured);
    await client.invalidateQueries({ queryKey: SANDWICHES });
    await navigate(`/bench/${made.id}`);
  };
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Link to="/coach" style={{ color: colour.accent, display: 'inline-block', lineHeight: '28px' }}>
        {t('‹ Coach')}
      </Link>
      <Typography variant="h1" sx={{ margin: '6px 0 10px' }}>
        {sandwich.name}: {result ? outcomeWords(result, sandwich.effect.kind).toLowerCase() : state}
      </Typography>
      <Box sx={{ display: 'flex', gap: 5, [NARROW]: { flexDirection: 'column', gap: 2 } }}>
        <Box sx={{ flex: 1, minWidth: 0, maxWidth: 780 }}>
          <CoachLook
            sandwich={sandwich}
            result={result ?? null}
            noted={cause ?? null}
            onCure={(one) => guarded(layOut(applyEdits(sandwich, one.cure.edits)))}
            onThis={(one, outcome, felt) => {
              const before = { cause: cause ?? null, result: result ?? null, effort: body.effort ?? null };
              guarded(
                keep({
                  cause: one.key,
                  result: result ?? outcome,
                  effort: body.effort ?? effortOf(felt) ?? null,
                }).then(() =>
                  say(t('Logged: {cause}.', { cause: read(one.title) }), () => guarded(keep(before))),
                ),
              );
            }}
          />
        </Box>
        <Box sx={{ width: 330, [NARROW]: { width: 'auto' } }}>
          <Typography variant="h2">{t('The pile as it was meant')}</Typography>
          <PileList sandwich={sandwich} large />
        </Box>
      </Box>
    </Box>
  );
}
