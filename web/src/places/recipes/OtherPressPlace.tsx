import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { categoryQuery, sandwichQuery, transferQuery } from '../../api/queries';
import { PileList } from '../../sandwich/PileList';
import { Notice } from '../../shared/Notice';
import { Segments } from '../../shared/Segments';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { Answer } from './Answer';
import { Panes } from './Panes';
import { t } from '../../words/words';

/** `/recipes/on-another-press/:id`: what a sandwich becomes on another press. */
export function OtherPressPlace() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const read = useWords();
  const record = useQuery({ ...sandwichQuery(id), gcTime: 60_000 });
  const shelf = useQuery(categoryQuery('press'));
  const sandwich = record.data?.sandwich;
  const presses = (shelf.data ?? []).filter(
    (entry) => entry.press && entry.press.name !== sandwich?.press.name,
  );
  const chosen = presses.find((entry) => entry.id === search.get('press')) ?? presses[0];
  const found = useQuery(transferQuery(chosen?.id, sandwich));
  const failed = record.error ?? shelf.error;
  if (failed)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice title={t("Can't move this sandwich.")} text={failed.message} />
      </Box>
    );
  if (!sandwich || !shelf.data) return <Box sx={{ padding: 6 }}>{t('One moment …')}</Box>;
  if (!chosen)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice
          title={t("There's no other press on the shelf.")}
          text={t('Add it with its opening, and ask again.')}
        >
          <Link to="/shelf">{t('Go to the shelf')}</Link>
        </Notice>
      </Box>
    );
  return (
    <Panes
      label={t('Sandwich')}
      asked={
        <>
          <Link to={`/bench/${id}`} style={{ color: colour.accent, fontSize: 14 }}>
            {t('‹ Back to the Bench')}
          </Link>
          <Typography variant="h1" sx={{ fontSize: 22, margin: '8px 0' }}>
            {sandwich.name}
          </Typography>
          <Typography sx={{ color: colour.quiet, marginBottom: '6px' }}>
            {t('On {name}, as is:', { name: sandwich.press.name })}
          </Typography>
          <PileList sandwich={sandwich} />
          <Typography sx={{ color: colour.quiet, margin: '16px 0 4px' }}>{t('What it is on')}</Typography>
          <Segments
            label={t('Other press')}
            value={chosen.id}
            options={presses.map((entry) => entry.id)}
            names={Object.fromEntries(presses.map((entry) => [entry.id, entry.press?.name ?? '']))}
            onChange={(press) => setSearch({ press }, { replace: true })}
          />
          <Box component="ul" aria-label={t('Differences')} sx={{ paddingLeft: '16px', fontSize: 13.5 }}>
            {found.data?.differences.map((line, index) => (
              <li key={index}>{read(line)}</li>
            ))}
          </Box>
        </>
      }
    >
      <Answer
        recipes={found.data?.recipes}
        error={found.error}
        waiting={found.isFetching}
        press={chosen.press?.name ?? ''}
      />
    </Panes>
  );
}
