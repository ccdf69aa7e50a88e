import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import type { RunBody } from '../../api/gen/types.gen';
import { RUNS } from '../../api/queries';
import { Segments } from '../../shared/Segments';
import { Kbd } from '../../shared/Kbd';
import { colour } from '../../theme/tokens';
import { askedOf, outcomeWords } from '../../looks/outcomes';
import { PhotoField } from './PhotoField';
import { ReadSheet } from '../../looks/ReadSheet';
import { useRunStore } from './runStore';
import { Frame, Kept } from './StepScreen';
import { TagsField } from './TagsField';
import { t, term, terms } from '../../words/words';

const EFFORTS = terms('light', 'easy', 'firm', 'hard');
const EFFORT_KEYS = { q: 'light', w: 'easy', e: 'firm', r: 'hard' } as const;

/** The end of a run: what came out, a note, a photo. */
export function OutcomeScreen({ id, body }: { id: string; body: RunBody }) {
  const change = useRunStore((store) => store.change);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [note, setNote] = useState(body.note);
  const [photo, setPhoto] = useState<File>();
  const effect = body.sandwich.effect.kind;
  const asked = askedOf(effect);
  const keep = () => {
    if (!body.result) return;
    change({ note }, 'finished');
    void client.invalidateQueries({ queryKey: RUNS });
  };
  const giveUp = () => {
    change({ note }, 'given up');
    void client.invalidateQueries({ queryKey: RUNS });
    void navigate('/press');
  };
  useHotkeys('1,2,3,4,5,6,7,8,9', (event) => {
    const result = asked[Number(event.key) - 1];
    if (result) change({ result });
  });
  useHotkeys(Object.keys(EFFORT_KEYS), (event) => {
    const effort = EFFORT_KEYS[event.key as keyof typeof EFFORT_KEYS];
    change({ effort: body.effort === effort ? null : effort });
  });
  useHotkeys('space, enter', keep, { enabled: body.result !== null, preventDefault: true });
  useHotkeys('backspace, left, pageup', () => change({ step: Math.max(body.step - 1, 0) }), {
    preventDefault: true,
  });
  return (
    <Frame>
      <Box sx={{ display: 'flex' }}>
        <Typography variant="h1" sx={{ fontSize: 44, flex: 1 }}>
          {t('What came out?')}
        </Typography>
        <Kept />
      </Box>
      <Outcomes body={body} />
      <Effort body={body} />
      <Box sx={{ fontSize: 18, marginBottom: '10px' }}>
        <TagsField tags={body.tags} onTags={(tags) => change({ tags })} />
      </Box>
      <Box sx={{ display: 'flex', gap: 4, flex: 1, minHeight: 0 }}>
        <Box component="label" sx={{ flex: 1, display: 'flex', flexDirection: 'column', fontSize: 18 }}>
          {t('A note for next time')}
          <textarea
            value={note}
            maxLength={2000}
            onChange={(event) => setNote(event.target.value)}
            onBlur={() => note !== body.note && change({ note })}
            placeholder={t('Which shim, which place on the plate, what you would change')}
            style={{
              flex: 1,
              maxHeight: 190,
              marginTop: 6,
              font: 'inherit',
              padding: 10,
              border: `1px solid ${colour.hairline}`,
              background: colour.panel,
              resize: 'none',
            }}
          />
        </Box>
        <Box sx={{ width: 380 }}>
          <PhotoField id={id} onTaken={setPhoto}>
            {photo && (
              <ReadSheet
                key={`${photo.name} ${photo.lastModified}`}
                file={photo}
                sandwich={body.sandwich}
                onUse={(result, words) => {
                  const next = note.trim() ? `${note.trim()} ${words}` : words;
                  setNote(next);
                  change({ result, note: next });
                }}
              />
            )}
          </PhotoField>
        </Box>
      </Box>
      {body.events.length > 0 && (
        <Typography sx={{ color: colour.quiet, margin: '8px 0' }}>
          {t('Along the way: {events}', { events: body.events.map((event) => event.did).join(' ') })}
        </Typography>
      )}
      <Foot step={body.step} ready={body.result !== null} onKeep={keep} onGiveUp={giveUp} />
    </Frame>
  );
}

/** What can come out of this effect, a key each. */
function Outcomes({ body }: { body: RunBody }) {
  const change = useRunStore((store) => store.change);
  const effect = body.sandwich.effect.kind;
  return (
    <Box
      role="radiogroup"
      aria-label={t('What came out')}
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.5, margin: '18px 0' }}
    >
      {askedOf(effect).map((outcome, index) => (
        <Button
          key={outcome}
          role="radio"
          aria-checked={body.result === outcome}
          variant={body.result === outcome ? 'contained' : 'outlined'}
          onClick={() => change({ result: outcome })}
          sx={{ fontSize: 21, height: 68, justifyContent: 'flex-start', paddingLeft: '18px' }}
        >
          <Kbd style={{ marginRight: 14 }}>{index + 1}</Kbd>
          {outcomeWords(outcome, effect)}
        </Button>
      ))}
    </Box>
  );
}

/** How hard the handle turned. */
function Effort({ body }: { body: RunBody }) {
  const change = useRunStore((store) => store.change);
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'baseline',
        gap: 2,
        marginBottom: '10px',
        '& button': { fontSize: 18 },
      }}
    >
      <span style={{ fontSize: 18 }}>{t('It turned')}</span>
      <Segments
        label={t('How hard it turned')}
        value={body.effort ?? undefined}
        options={EFFORTS}
        names={Object.fromEntries(
          Object.entries(EFFORT_KEYS).map(([key, effort]) => [
            effort,
            <span key={key}>
              <Kbd style={{ marginRight: 6 }}>{key}</Kbd>
              {term(effort)}
            </span>,
          ]),
        )}
        onChange={(effort) => change({ effort })}
      />
    </Box>
  );
}

interface FootProps {
  step: number;
  ready: boolean;
  onKeep: () => void;
  onGiveUp: () => void;
}

function Foot({ step, ready, onKeep, onGiveUp }: FootProps) {
  const change = useRunStore((store) => store.change);
  return (
    <Box sx={{ display: 'flex', gap: 2, marginTop: '12px' }}>
      <Button
        variant="outlined"
        onClick={() => change({ step: Math.max(step - 1, 0) })}
        sx={{ fontSize: 20, width: 150, height: 70 }}
      >
        {t('Back')}
      </Button>
      <Button
        variant="outlined"
        color="inherit"
        onClick={onGiveUp}
        sx={{ fontSize: 18, width: 190, height: 70 }}
      >
        {t('Discard this run')}
      </Button>
      <Button
        variant="contained"
        disabled={!ready}
        onClick={onKeep}
        sx={{ flex: 1, fontSize: 24, height: 70 }}
      >
        {t('Save the run')}
        <Kbd style={{ marginLeft: 16, fontSize: 15 }}>{t('space')}</Kbd>
      </Button>
    </Box>
  );
}
