import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { RunSummary } from '../../api/gen/types.gen';
import { runsQuery, sandwichesQuery } from '../../api/queries';
import { outcomeWords } from '../../looks/outcomes';
import { Notice } from '../../shared/Notice';
import { Skills } from '../practice/Skills';
import { useLook } from '../bench/useLook';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const LAST = 12; // spoiled runs that are shown
const PILES = 12; // sandwiches that are shown

/** `/coach`: which sheet is it? The last runs that did not come out right, and the piles that are kept. */
export function CoachPlace() {
  const ended = useInfiniteQuery(runsQuery('ended'));
  const piles = useQuery(sandwichesQuery());
  const setLook = useLook((store) => store.setLook);
  const failed = ended.error ?? piles.error;
  if (failed)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice
          title={t("Can't read the runs.")}
          text={t('{message} Trying again.', { message: failed.message })}
        />
      </Box>
    );
  const runs = ended.data?.pages.flatMap((page) => page.runs) ?? [];
  const spoiled = runs.filter((run) => run.result && run.result !== 'right' && !run.known);
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Typography variant="h1">{t('Coach')}</Typography>
      <Box sx={{ color: colour.quiet, maxWidth: 620, marginBottom: '14px' }}>
        {t(
          'A sheet came out wrong. We put every mistake into its pile and press it. You see which sheet looks like yours, why, and what to do.',
        )}
      </Box>
      <Skills />
      <Box
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))', gap: '0 48px' }}
      >
        <Box>
          <Typography variant="h2">{t('Which sheet is it?')}</Typography>
          {ended.data && spoiled.length === 0 && (
            <Box sx={{ color: colour.quiet }}>
              {t('No logged run went wrong. Pick a pile and say what you see.')}
            </Box>
          )}
          <Box
            component="ul"
            aria-label={t('Spoiled sheets')}
            sx={{ listStyle: 'none', padding: 0, margin: 0 }}
          >
            {spoiled.slice(0, LAST).map((run) => (
              <Spoiled key={run.id} run={run} />
            ))}
          </Box>
        </Box>
        <Box>
          <Typography variant="h2">{t('Or from which pile?')}</Typography>
          <Box component="ul" aria-label={t('Piles')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
            {piles.data?.sandwiches.slice(0, PILES).map((pile) => (
              <Box
                component="li"
                key={pile.id}
                sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '6px 0' }}
              >
                <Link
                  to={`/bench/${pile.id}`}
                  onClick={() => setLook('mistake')}
                  style={{ color: colour.ink }}
                >
                  {pile.name}
                </Link>
              </Box>
            ))}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

function Spoiled({ run }: { run: RunSummary }) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 2,
        alignItems: 'baseline',
        borderBottom: `1px solid ${colour.hairline}`,
        padding: '6px 0',
      }}
    >
      <Link to={`/coach/${run.id}`} style={{ color: colour.ink, fontWeight: 600, flex: 1 }}>
        {run.name}
      </Link>
      <span>{run.result && outcomeWords(run.result)}</span>
      <span style={{ color: colour.quiet, whiteSpace: 'nowrap' }}>
        {new Date(run.created_at).toLocaleDateString(undefined, { dateStyle: 'medium' })}
      </span>
    </Box>
  );
}
