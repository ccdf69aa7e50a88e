import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { RunWrite } from '../../api/gen/types.gen';
import { deleteRun } from '../../api/gen/sdk.gen';
import { addresses } from '../../api/service';
import { startOne } from '../../api/making';
import { RUNS } from '../../api/queries';
import { PileList } from '../../sandwich/PileList';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { TraceChart } from '../../looks/feed/TraceChart';
import { outcomeWords, seenWords } from '../../looks/outcomes';
import { useRunStore } from './runStore';
import { TagsField } from './TagsField';
import { told } from '../../api/refusal';
import { t, term } from '../../words/words';

/** A run that is over: what lay between the rollers and what came of it. */
export function KeptRun({ id, write }: { id: string; write: RunWrite }) {
  const photo = useRunStore((store) => store.photo);
  const version = useRunStore((store) => store.version);
  const change = useRunStore((store) => store.change);
  const saved = useRunStore((store) => store.saved);
  const trouble = useRunStore((store) => store.trouble);
  const client = useQueryClient();
  const navigate = useNavigate();
  const { sandwich, result, effort, note, events } = write.body;
  const remove = async () => {
    try {
      await deleteRun({ path: { run_id: id }, query: { version } });
      await client.invalidateQueries({ queryKey: RUNS });
      say(t('“{name}” is gone.', { name: sandwich.name }), () => {
        void startOne(write).then(() => client.invalidateQueries({ queryKey: RUNS }));
      });
      await navigate('/logbook');
    } catch (error) {
      say(told(error));
    }
  };
  return (
    <Box sx={{ padding: '18px 32px', height: '100%', overflowY: 'auto' }}>
      <Link to="/logbook" style={{ color: colour.accent }}>
        {t('‹ Logbook')}
      </Link>
      <Typography variant="h1" data-testid="kept-run" data-saved={saved} sx={{ margin: '8px 0 2px' }}>
        {sandwich.name}: {result ? outcomeWords(result, sandwich.effect.kind).toLowerCase() : write.state}
      </Typography>
      <Typography sx={{ color: colour.quiet, marginBottom: '16px' }}>
        {sandwich.passes === 1 ? t('One pass') : t('{passes} passes', { passes: sandwich.passes })}{' '}
        {t('on {name}.', { name: sandwich.press.name })}
        {effort && ` ${t('It turned {effort}.', { effort: term(effort) })}`}
        {!saved && ` ${trouble ?? t('Saving it …')}`}
      </Typography>
      <Box sx={{ display: 'flex', gap: 6 }}>
        <Box sx={{ width: 420 }}>
          <PileList sandwich={sandwich} large />
        </Box>
        <Box sx={{ flex: 1 }}>
          <Box component="label" sx={{ display: 'flex', gap: 1, marginBottom: 1 }}>
            <input
              type="checkbox"
              checked={!write.body.left_out}
              onChange={(event) => change({ left_out: !event.target.checked })}
            />
            {t('Learn from it about the press and its items')}
          </Box>
          <Box sx={{ margin: '6px 0 14px' }}>
            <TagsField key={id} tags={write.body.tags} onTags={(tags) => change({ tags })} />
          </Box>
          {result !== null && result !== undefined && result !== 'right' && (
            <Box sx={{ marginBottom: '14px' }}>
              <Link to={`/coach/${id}`} style={{ color: colour.accent, fontWeight: 700 }}>
                {write.body.cause
                  ? t('What went wrong: logged. Look again')
                  : t('What went wrong? See it and fix it')}
              </Link>
            </Box>
          )}
          {events.map((event) => (
            <Typography key={`${event.step} ${event.did}`} sx={{ marginBottom: '4px' }}>
              <span style={{ color: colour.stop }}>{seenWords(event.seen)}.</span> {event.did}
            </Typography>
          ))}
          {write.body.trace && <TraceChart sandwich={sandwich} trace={write.body.trace} />}
          {note && <Typography sx={{ whiteSpace: 'pre-wrap', margin: '8px 0' }}>{note}</Typography>}
          {photo && (
            <img
              src={addresses.photo(id, version)}
              alt={t('What came out')}
              style={{ maxWidth: 420, maxHeight: 320 }}
            />
          )}
        </Box>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, marginTop: '24px' }}>
        <Button variant="outlined" onClick={() => change({}, 'open')}>
          {t('Open it again')}
        </Button>
        <Button color="inherit" onClick={() => void remove()}>
          {t('Delete this run')}
        </Button>
      </Box>
    </Box>
  );
}
