import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Feeler, RunSummary, Sandwich } from '../../api/gen/types.gen';
import { freshRun, startOne } from '../../api/making';
import { judgeAnew, nextQuery, ROOM, roomQuery, RUNS, runsOfQuery } from '../../api/queries';
import { asSentence, told } from '../../api/refusal';
import { GoodSheet } from '../GoodSheet';
import { Notice } from '../../shared/Notice';
import { say } from '../../shared/notices';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { outcomeWords } from '../outcomes';
import { CountPaper } from './CountPaper';

/** What this sandwich did before, what does not fit, and what to try next. */
export function RunsLook({ id, sandwich }: { id: string; sandwich: Sandwich }) {
  const runs = useQuery(runsOfQuery(id));
  const room = useQuery(roomQuery);
  const next = useQuery(nextQuery(sandwich));
  const read = useWords();
  const doubts = new Map(room.data?.contradictions.map((doubt) => [doubt.run_id, read(doubt.words)]));
  const toMeasure = Object.values(sandwich.items).find(
    (item) => next.data?.measure === `thing:${item.shelf_id}`,
  )?.name;
  return (
    <Box>
      <Typography variant="h2">{t('What to try next')}</Typography>
      {next.error && <Box sx={{ color: colour.quiet }}>{asSentence(next.error, t('The sandwich'))}</Box>}
      {next.isPending && <Box sx={{ color: colour.quiet }}>{t('Working it out …')}</Box>}
      {next.data && (
        <Box data-testid="next-trial" sx={{ marginBottom: 2 }}>
          <Box sx={{ fontSize: 16 }}>{read(next.data.words)}</Box>
          <Box component="ul" sx={{ margin: '4px 0', paddingLeft: '18px', color: colour.quiet }}>
            {next.data.why.map((line, index) => (
              <li key={index}>{read(line)}</li>
            ))}
          </Box>
          {next.data.count && <CountHere feeler={next.data.count} />}
          {toMeasure && (
            <Link to={`/shelf?q=${encodeURIComponent(toMeasure)}`} style={{ color: colour.accent }}>
              {t('Find it on the shelf to measure it')}
            </Link>
          )}
          {next.data.good && (
            <Box sx={{ color: colour.quiet }}>
              {t('As it is now.')} <GoodSheet good={next.data.good} />
            </Box>
          )}
        </Box>
      )}
      <Typography variant="h2">{t('What it did before')}</Typography>
      {runs.error && <Notice title={t("Can't read the runs.")} text={runs.error.message} />}
      {runs.data?.runs.length === 0 && (
        <Box sx={{ color: colour.quiet }}>
          {t('Not pressed yet. Each result you log makes the next verdict surer.')}
        </Box>
      )}
      <Box
        component="ul"
        aria-label={t('Runs of this sandwich')}
        sx={{ listStyle: 'none', margin: 0, padding: 0 }}
      >
        {runs.data?.runs.map((run, index, all) => (
          <Run key={run.id} run={run} before={all[index + 1]} doubt={doubts.get(run.id)} />
        ))}
      </Box>
    </Box>
  );
}

/** Paper counted on the plates of this sandwich, noted as something that is known. */
function CountHere({ feeler }: { feeler: Feeler }) {
  const client = useQueryClient();
  const tell = useMutation({
    mutationFn: (sheets: number) =>
      startOne({
        sandwich_id: null,
        state: 'finished',
        body: { ...freshRun(feeler.sandwich), paper_sheets: sheets, known: true },
      }),
    onSuccess: async () => {
      await Promise.all([ROOM, RUNS].map((queryKey) => client.invalidateQueries({ queryKey })));
      await judgeAnew(client);
    },
    onError: (error) => say(told(error)),
  });
  return (
    <Box sx={{ maxWidth: 380, margin: '8px 0' }}>
      <CountPaper
        feeler={feeler}
        told={undefined}
        busy={tell.isPending}
        onTell={(sheets) => tell.mutate(sheets)}
      />
    </Box>
  );
}

interface RunProps {
  run: RunSummary;
  before: RunSummary | undefined;
  doubt: string | undefined;
}

function Run({ run, before, doubt }: RunProps) {
  return (
    <Box component="li" sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '6px 0' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '4px 16px', alignItems: 'baseline' }}>
        <Link to={`/press/${run.id}`} style={{ color: colour.accent }}>
          {new Date(run.created_at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
        </Link>
        <b>
          {run.state === 'open' ? t('not finished') : run.result ? outcomeWords(run.result) : term(run.state)}
        </b>
        <span style={{ color: colour.quiet }}>{run.press}</span>
        {run.note && <span>{run.note}</span>}
        {before && run.state !== 'open' && (
          <Link to={`/logbook/compared/${before.id}/${run.id}`} style={{ color: colour.quiet }}>
            {t('compared with the run before')}
          </Link>
        )}
      </Box>
      {doubt && (
        <Box role="note" sx={{ color: colour.stop, fontSize: 13.5 }}>
          {doubt}
        </Box>
      )}
    </Box>
  );
}
