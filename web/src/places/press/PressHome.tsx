import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { RunSummary } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { runsQuery, sandwichesQuery } from '../../api/queries';
import { useEditor } from '../../sandwich/store';
import { Notice } from '../../shared/Notice';
import { colour } from '../../theme/tokens';
import { outcomeWords } from '../../looks/outcomes';
import { RoomAir } from './RoomAir';
import { useStartRun } from './useStartRun';
import { effectName } from '../../sandwich/words';
import { NARROW } from '../../shared/useScreen';
import { t } from '../../words/words';

const READY = 8; // sandwiches offered where no run is yet
const LAST = 8; // kept runs shown here; the logbook has them all

/** `/press`: runs that are open, and the last that were kept. */
export function PressHome() {
  const going = useInfiniteQuery(runsQuery('open'));
  const kept = useInfiniteQuery(runsQuery('ended'));
  const sandwich = useEditor((editor) => editor.sandwich);
  const start = useStartRun();
  const failed = going.error ?? kept.error;
  if (!going.data || !kept.data)
    return (
      <Box sx={{ padding: 6 }}>
        {failed ? (
          <Notice
            title={t("Can't read the runs.")}
            text={t('{message} Trying again.', { message: failed.message })}
          />
        ) : (
          <Notice title={t('Opening the runs')} text={t('One moment.')} />
        )}
      </Box>
    );
  const open = going.data.pages.flatMap((page) => page.runs);
  const done = kept.data.pages.flatMap((page) => page.runs);
  const total = kept.data.pages[0]?.total ?? 0;
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Typography variant="h1">{t('At the press')}</Typography>
      {open.length + done.length === 0 && (
        <Notice
          title={t('Add the first sheet')}
          text={t(
            'Take a sandwich to the press: one step a screen, large type, space bar to go on. Log what came out, and the next one goes better.',
          )}
        >
          <Ready onRun={start} />
          <Link to="/recipes" style={{ color: colour.accent }}>
            {t('Find a recipe')}
          </Link>
        </Notice>
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
          gap: '0 56px',
          [NARROW]: { display: 'block' },
        }}
      >
        <div>
          {sandwich && sandwich.layers.length > 0 && (
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, margin: '10px 0 18px' }}>
              <span>
                {t('On the bench')} <b>{sandwich.name}</b>.
              </span>
              <Button variant="contained" onClick={() => start()}>
                {t('Run it')}
              </Button>
            </Box>
          )}
          <List title={t('Not finished')} runs={open} />
          {going.hasNextPage && (
            <Button onClick={() => void going.fetchNextPage()} disabled={going.isFetchingNextPage}>
              {t('Show older ones')}
            </Button>
          )}
          {done.length > 0 && (
            <Box component="section" aria-label={t('Ready to press')}>
              <Typography variant="h2" sx={{ margin: '16px 0 4px' }}>
                {t('Ready to press')}
              </Typography>
              <Ready onRun={start} />
            </Box>
          )}
          <RoomAir />
        </div>
        {done.length > 0 && (
          <div>
            <List title={t('Recent runs')} runs={done.slice(0, LAST)} />
            <Box sx={{ padding: '8px 0' }}>
              <Link to="/logbook" style={{ color: colour.accent }}>
                {t('All {total} runs are in the logbook', { total })}
              </Link>
            </Box>
          </div>
        )}
      </Box>
    </Box>
  );
}

/** Sandwiches that lie ready to be run, last worked on first. */
function Ready({ onRun }: { onRun: (id: string) => void }) {
  const found = useQuery(sandwichesQuery());
  return (
    <Box
      component="ul"
      aria-label={t('Ready to press')}
      sx={{ listStyle: 'none', padding: 0, margin: '6px 0 14px' }}
    >
      {found.data?.sandwiches.slice(0, READY).map((one) => (
        <Box
          component="li"
          key={one.id}
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 2,
            minHeight: 46,
            borderBottom: `1px solid ${colour.hairline}`,
          }}
        >
          <Button
            variant="outlined"
            aria-label={t('Run it: {name}', { name: one.name })}
            onClick={() => onRun(one.id)}
          >
            {t('Run it')}
          </Button>
          <span>
            <b>{one.name}</b>
          </span>
          <span style={{ color: colour.quiet, marginLeft: 'auto' }}>
            {t('{effect}, on {press}', { effect: effectName(one.effect), press: one.press })}
          </span>
        </Box>
      ))}
    </Box>
  );
}

function List({ title, runs }: { title: string; runs: RunSummary[] }) {
  if (runs.length === 0) return null;
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2" sx={{ margin: '16px 0 4px' }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {runs.map((run) => (
          <Box
            component="li"
            key={run.id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 2,
              borderBottom: `1px solid ${colour.hairline}`,
              minHeight: 40,
            }}
          >
            {run.photo && (
              <img
                src={addresses.photo(run.id, run.version)}
                alt={t('What came out: {name}', { name: run.name })}
                height={36}
                width={48}
                style={{ objectFit: 'cover' }}
              />
            )}
            <Link to={`/press/${run.id}`} style={{ flex: 1, color: colour.ink }}>
              {run.name}
              {run.known && <span style={{ color: colour.quiet }}>{t(', known before')}</span>}
            </Link>
            <span style={{ width: 150 }}>
              {run.state === 'open' ? t('go on') : run.result ? outcomeWords(run.result) : run.state}
            </span>
            <span style={{ color: colour.quiet, width: 130, textAlign: 'right', whiteSpace: 'nowrap' }}>
              {when(run.created_at)}
            </span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** A moment by the clock of whoever looks. */
function when(moment: string): string {
  return new Date(moment).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
}
