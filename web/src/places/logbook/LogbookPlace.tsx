import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { runFiltersQuery, runsQuery, type Sought } from '../../api/queries';
import type { RunSummary } from '../../api/gen/types.gen';
import { allOutcomes } from '../../looks/outcomes';
import { Notice } from '../../shared/Notice';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { LogEntry } from './LogEntry';
import { RunFiles } from './RunFiles';

const ANY = '';

/** `/logbook`: every run that has ended, found again, compared, in and out as files. */
export function LogbookPlace() {
  const [sought, setSought] = useState<Sought>({});
  const [picked, setPicked] = useState<string[]>([]);
  const filters = useQuery(runFiltersQuery).data;
  const found = useInfiniteQuery(runsQuery('ended', trimmed(sought)));
  const runs = found.data?.pages.flatMap((page) => page.runs) ?? [];
  const total = found.data?.pages[0]?.total ?? 0;
  const narrowed = Object.values(trimmed(sought)).length > 0;
  const set = (part: Partial<Sought>) => setSought({ ...sought, ...part });
  const pick = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((one) => one !== id) : [...picked, id].slice(-2));
  const selects = [
    { label: t('Outcome'), any: t('any outcome'), name: 'result' as const, options: allOutcomes() },
    { label: t('Press'), any: t('any press'), name: 'press' as const, options: same(filters?.presses) },
    { label: t('Tool'), any: t('any tool'), name: 'tool' as const, options: same(filters?.tools) },
    { label: t('Stock'), any: t('any stock'), name: 'stock' as const, options: same(filters?.stocks) },
    { label: t('Tag'), any: t('any tag'), name: 'tag' as const, options: same(filters?.tags) },
  ];
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', gap: '6px 24px' }}>
        <Typography variant="h1">{t('Logbook')}</Typography>
        <Box sx={{ flex: 1 }} />
        <RunFiles total={total} narrowed={narrowed} />
      </Box>
      <Box
        role="search"
        sx={{
          display: 'flex',
          alignItems: 'baseline',
          flexWrap: 'wrap',
          gap: '6px 20px',
          margin: '10px 0 4px',
        }}
      >
        <InputBase
          value={sought.q ?? ''}
          onChange={(event) => set({ q: event.target.value })}
          placeholder={t('Search every word')}
          inputProps={{ 'aria-label': t('Find a run'), maxLength: 120 }}
          sx={{ width: 230, borderBottom: `1px dotted ${colour.quiet}`, fontSize: 14 }}
        />
        {selects.map(({ label, any, name, options }) => (
          <QuietSelect
            key={name}
            label={label}
            value={sought[name] ?? ANY}
            options={{ [ANY]: any, ...options }}
            onChange={(value) => set({ [name]: value || undefined })}
          />
        ))}
        <span style={{ color: colour.quiet }}>
          {total === 1 ? t('one run') : t('{total} runs', { total })}
        </span>
        {narrowed && <Button onClick={() => setSought({})}>{t('Show all')}</Button>}
      </Box>
      {picked.length > 0 && (
        <Box role="status" sx={{ color: colour.quiet, margin: '4px 0' }}>
          {picked.length === 1 ? (
            t('Pick another run to compare with.')
          ) : (
            <Link to={comparing(picked, runs)} style={{ color: colour.accent }}>
              {t('Compare the two')}
            </Link>
          )}
        </Box>
      )}
      {found.error && !found.data && (
        <Notice
          title={t("Can't read the runs.")}
          text={t('{message} Trying again.', { message: found.error.message })}
        />
      )}
      {found.isPending && <Notice title={t('Opening the runs')} text={t('One moment.')} />}
      {found.data && runs.length === 0 && <Nothing narrowed={narrowed} />}
      {byDay(runs).map(([day, ofDay]) => (
        <Box component="section" key={day} aria-label={day}>
          <Typography variant="h2" sx={{ margin: '14px 0 2px', fontSize: 15 }}>
            {day}
          </Typography>
          <Box component="ul" sx={{ listStyle: 'none', margin: 0, padding: 0 }}>
            {ofDay.map((run) => (
              <LogEntry
                key={run.id}
                run={run}
                pictured={runs.some((one) => one.photo)}
                picked={picked.includes(run.id)}
                onPick={() => pick(run.id)}
                onTag={(tag) => set({ tag })}
              />
            ))}
          </Box>
        </Box>
      ))}
      {found.hasNextPage && (
        <Button onClick={() => void found.fetchNextPage()} disabled={found.isFetchingNextPage}>
          {t('Show older ones ({total} more)', { total: total - runs.length })}
        </Button>
      )}
    </Box>
  );
}

function Nothing({ narrowed }: { narrowed: boolean }) {
  if (narrowed) return <Box sx={{ color: colour.quiet, padding: '8px 0' }}>{t('No run matches.')}</Box>;
  return (
    <Notice
      title={t('No runs yet')}
      text={t(
        'Every run you finish At the press shows up here: the pile, what came out, how hard it turned, a photo. Find what works again; each run makes the next verdict surer.',
      )}
    >
      <Link to="/press" style={{ color: colour.accent }}>
        {t('Go to the press')}
      </Link>
    </Notice>
  );
}

/** What is looked for, without what is left open. */
function trimmed(sought: Sought): Sought {
  const kept = Object.entries({ ...sought, q: sought.q?.trim() }).filter(([, value]) => value);
  return Object.fromEntries(kept);
}

const same = (values: string[] = []): Record<string, string> =>
  Object.fromEntries(values.map((value) => [value, value]));

/** Runs by the day on which they began, as the reader's clock has it. */
function byDay(runs: RunSummary[]): [string, RunSummary[]][] {
  const days = new Map<string, RunSummary[]>();
  for (const run of runs) {
    const day = new Date(run.created_at).toLocaleDateString(undefined, { dateStyle: 'full' });
    days.set(day, [...(days.get(day) ?? []), run]);
  }
  return [...days];
}

/** Where two runs lie side by side, the older one first. */
function comparing(picked: string[], runs: RunSummary[]): string {
  const at = (id: string) => runs.findIndex((run) => run.id === id);
  const [one, other] = [...picked].sort((a, b) => at(b) - at(a));
  return `/logbook/compared/${one}/${other}`;
}
