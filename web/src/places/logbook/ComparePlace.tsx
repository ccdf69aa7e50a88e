import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { compareRunsOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { RunRecord, RunsCompared } from '../../api/gen/types.gen';
import { addresses } from '../../api/service';
import { saveTeachingPage } from '../../looks/coach/teachingPage';
import { outcomeWords } from '../../looks/outcomes';
import { PileList } from '../../sandwich/PileList';
import { Notice } from '../../shared/Notice';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';

/** `/logbook/compared/:one/:other`: two runs side by side, and what differed. */
export function ComparePlace() {
  const { one = '', other = '' } = useParams();
  const found = useQuery(compareRunsOptions({ query: { one, other } }));
  const read = useWords();
  return (
    <Box sx={{ height: '100%', overflowY: 'auto', padding: '18px 24px 60px' }}>
      <Link to="/logbook" style={{ color: colour.accent }}>
        {t('‹ Logbook')}
      </Link>
      {found.error && <Notice title={t("Can't compare the runs.")} text={found.error.message} />}
      {found.isPending && <Notice title={t('Opening the runs')} text={t('One moment.')} />}
      {found.data && (
        <>
          <Typography variant="h1" sx={{ margin: '8px 0 4px' }}>
            {t('{one}, then {other:small}', {
              one: outcomeOf(found.data.one),
              other: outcomeOf(found.data.other),
            })}
          </Typography>
          <Button
            onClick={() => asPage(found.data)}
            title={t('One page to teach with: both piles and both sheets')}
          >
            {t('Both as a page, PDF')}
          </Button>
          <Typography variant="h2">{t('What was different the second time')}</Typography>
          <Box
            component="ul"
            aria-label={t('Differences')}
            sx={{ margin: '4px 0 18px', paddingLeft: '20px', fontSize: 16 }}
          >
            {found.data.differences.map((difference, index) => (
              <li key={index}>{read(difference)}</li>
            ))}
            {found.data.differences.length === 0 && (
              <li>
                {t('Nothing you logged: same pile, same place. The difference was damp, wear or chance.')}
              </li>
            )}
          </Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))', gap: 4 }}>
            <Side run={found.data.one} title={t('The first')} />
            <Side run={found.data.other} title={t('The second')} />
          </Box>
        </>
      )}
    </Box>
  );
}

const outcomeOf = ({ state, body }: RunRecord): string =>
  body.result ? outcomeWords(body.result, body.sandwich.effect.kind) : term(state);

function Side({ run, title }: { run: RunRecord; title: string }) {
  const { sandwich, effort, note, tags } = run.body;
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ borderTop: `1px solid ${colour.hairline}`, paddingTop: 1 }}
    >
      <Link to={`/press/${run.id}`} style={{ color: colour.accent, fontWeight: 600, fontSize: 17 }}>
        {sandwich.name}
      </Link>
      <Box sx={{ color: colour.quiet, marginBottom: 1 }}>
        {new Date(run.created_at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
        {', '}
        {sandwich.press.name}
        {effort && `. ${t('It turned {effort}.', { effort: term(effort) })}`}
        {tags.length > 0 && ` ${tags.join(', ')}`}
      </Box>
      {run.photo && (
        <img
          src={addresses.photo(run.id, run.version)}
          alt={t('What came out: {name}', { name: sandwich.name })}
          style={{ maxWidth: '100%', maxHeight: 240 }}
        />
      )}
      {note && <Box sx={{ whiteSpace: 'pre-wrap', margin: '6px 0' }}>{note}</Box>}
      <PileList sandwich={sandwich} />
    </Box>
  );
}

/** Both runs as a page, as their piles press them. */
function asPage({ one, other }: RunsCompared): void {
  const { sandwich } = one.body;
  saveTeachingPage({ sandwich, other: other.body.sandwich }, sandwich.name);
}
