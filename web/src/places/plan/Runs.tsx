import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { JobFile, PieceFile, RunFile } from '../../api/gen/types.gen';
import { effectsQuery, sandwichesQuery } from '../../api/queries';
import { QuietSelect } from '../../shared/QuietSelect';
import { Toggle } from '../../shared/Toggle';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { withPiece } from './job';

interface Props {
  job: JobFile;
  piece: PieceFile;
  onChange: (job: JobFile) => void;
}

const MOST_RUNS = 8;

/** What a piece goes through the press for: a recipe, which brings its own work before and after, and the sandwich. */
export function Runs({ job, piece, onChange }: Props) {
  const read = useWords();
  const effects = useQuery(effectsQuery).data ?? [];
  const kept = useQuery(sandwichesQuery()).data?.sandwiches.map((one) => one.name) ?? [];
  const runs = piece.runs ?? [];
  const set = (next: RunFile[]) => onChange(withPiece(job, piece.key, { runs: next }));
  const change = (n: number, part: Partial<RunFile>) =>
    set(runs.map((run, m) => (m === n ? { ...run, ...part } : run)));
  const titles = Object.fromEntries(effects.map((effect) => [effect.key, read(effect.title)]));
  return (
    <Box component="section" aria-label={t('Runs of {piece}', { piece: piece.name })}>
      {runs.map((run, n) => {
        const effect = effects.find((one) => one.key === run.effect);
        const piles = [...new Set([...(run.pile ? [run.pile] : []), ...kept])];
        return (
          <Box
            key={n}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'baseline',
              gap: '2px 14px',
              marginTop: '4px',
            }}
          >
            <QuietSelect
              label={t('Recipe of run {n} of {piece}', { n: n + 1, piece: piece.name })}
              most={230}
              value={run.effect ?? ''}
              options={{ '': t('what its sandwich is for'), ...titles }}
              onChange={(key) => change(n, { effect: key || null, way: null, mist: false, ink: null })}
            />
            <QuietSelect
              label={t('Sandwich of run {n} of {piece}', { n: n + 1, piece: piece.name })}
              most={230}
              value={run.pile ?? ''}
              options={{
                '': t('which sandwich?'),
                ...Object.fromEntries(piles.map((pile) => [pile, pile])),
              }}
              onChange={(pile) => change(n, { pile: pile || null })}
            />
            {(!effect || effect.mist) && (
              <Toggle label={t('misted')} on={run.mist} onChange={(mist) => change(n, { mist })} />
            )}
            {effect?.bare && (
              <Toggle label={t('inked')} on={run.ink ?? false} onChange={(ink) => change(n, { ink })} />
            )}
            <Button onClick={() => set(runs.filter((_, m) => m !== n))}>{t('Remove this run')}</Button>
            {!run.pile && run.effect && (
              <Link to={`/recipes/${run.effect}`} style={{ color: colour.accent, fontSize: 13.5 }}>
                {t('find a sandwich for it')}
              </Link>
            )}
          </Box>
        );
      })}
      {runs.length < MOST_RUNS && (
        <Button onClick={() => set([...runs, { effect: 'plain-relief', pile: null, mist: false }])}>
          {runs.length ? t('Add another pass') : t('Add a run')}
        </Button>
      )}
    </Box>
  );
}
