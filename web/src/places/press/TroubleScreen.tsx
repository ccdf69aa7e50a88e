import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Advice, RunBody, Card as RunCard, Sandwich } from '../../api/gen/types.gen';
import { trouble } from '../../api/gen/sdk.gen';
import { Rescues } from '../../looks/coach/Rescues';
import type { Seen } from '../../api/types';
import { cardQuery } from '../../api/queries';
import { applyEdits } from '../../sandwich/edits';
import { Kbd } from '../../shared/Kbd';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { seenWords } from '../../looks/outcomes';
import { useRunStore } from './runStore';
import { Frame, Kept } from './StepScreen';
import { told } from '../../api/refusal';
import { t } from '../../words/words';

const ZONES: Record<string, string> = {
  slack: t('too loose, computed'),
  faint: t('faint, computed'),
  right: t('right, computed'),
  hard: t('too hard, computed'),
  refuses: t('more than the press can take, computed'),
};

interface Props {
  body: RunBody;
  seen: Seen;
  card: RunCard;
  onClose: () => void;
}

/** What to do about something seen: at once, then what changes the card. */
export function TroubleScreen({ body, seen, onClose }: Props) {
  const read = useWords();
  const change = useRunStore((store) => store.change);
  const client = useQueryClient();
  const [failed, setFailed] = useState('');
  const answer = useQuery({
    queryKey: ['trouble', seen, body.sandwich],
    queryFn: () => trouble({ body: { sandwich: body.sandwich, seen } }),
    staleTime: Infinity,
  });
  const advice = answer.data?.advice ?? [];
  const note = (did: string) => [...body.events, { step: body.step, seen, did }].slice(-200);
  const follow = async (chosen: Advice) => {
    try {
      const { label, edits } = chosen.suggestion;
      if (edits.length === 0) {
        change({ events: note(read(label)) });
      } else {
        const sandwich = applyEdits(body.sandwich, edits);
        const fresh = await client.query(cardQuery(sandwich));
        change({
          sandwich,
          step: restart(fresh, body.sandwich, sandwich),
          turns: 0,
          wait_ends: null,
          events: note(read(label)),
        });
      }
      onClose();
    } catch (error) {
      setFailed(told(error));
    }
  };
  useHotkeys('1,2,3', (event) => {
    const chosen = advice[Number(event.key) - 1];
    if (chosen) void follow(chosen);
  });
  useHotkeys('escape, backspace, left, pageup', onClose, { preventDefault: true });
  const problem = failed || answer.error?.message;
  return (
    <Frame>
      <Box sx={{ display: 'flex', fontSize: 18, color: colour.stop, fontWeight: 700 }}>
        <span style={{ flex: 1 }}>{seenWords(seen)}</span>
        <Kept />
      </Box>
      <Typography variant="h1" role="alert" sx={{ fontSize: 40, lineHeight: 1.15, margin: '14px 0 12px' }}>
        {read(answer.data?.at_once) || (seen === 'too hard' ? t("Stop. Don't force it.") : t('One moment …'))}
      </Typography>
      {problem && (
        <Typography sx={{ fontSize: 20, color: colour.stop }}>
          {t('{problem} Nothing changed. The step you came from is still open.', { problem })}
        </Typography>
      )}
      <Typography sx={{ fontSize: 20, color: colour.quiet, maxWidth: 900, marginBottom: '14px' }}>
        {read(answer.data?.meaning)}
      </Typography>
      <Box
        component="ol"
        aria-label={t('Advice')}
        sx={{ listStyle: 'none', padding: 0, margin: 0, flex: 1, overflowY: 'auto' }}
      >
        {advice.map((one, index) => (
          <Box component="li" key={one.suggestion.label.say} sx={{ marginBottom: '10px' }}>
            <Button
              variant={index === 0 ? 'contained' : 'outlined'}
              onClick={() => void follow(one)}
              sx={{
                width: '100%',
                justifyContent: 'flex-start',
                textAlign: 'left',
                fontSize: 24,
                padding: '12px 18px',
                whiteSpace: 'normal',
                lineHeight: 1.2,
              }}
            >
              <Kbd style={{ marginRight: 16, fontSize: 15 }}>{index + 1}</Kbd>
              <span style={{ flex: 1 }}>
                {read(one.suggestion.label)}
                <span style={{ display: 'block', fontSize: 17, fontWeight: 400 }}>{read(one.why)}</span>
              </span>
              {one.suggestion.outcome?.zone && (
                <span style={{ fontSize: 16, fontWeight: 400 }}>{ZONES[one.suggestion.outcome.zone]}</span>
              )}
            </Button>
          </Box>
        ))}
        <Box component="li" sx={{ fontSize: 19, lineHeight: 1.35 }}>
          <Rescues rescues={answer.data?.rescues ?? []} />
        </Box>
      </Box>
      <Button variant="outlined" onClick={onClose} sx={{ fontSize: 20, height: 60, width: 320 }}>
        {t('Back to the step')}
      </Button>
    </Frame>
  );
}

/** Where to begin again on the new card: with the mist if it is new, else with building. */
function restart(card: RunCard, before: Sandwich, after: Sandwich): number {
  const damp = (sandwich: Sandwich) => sandwich.layers.some((layer) => layer.mist_age_s != null);
  const misted = damp(after) && !damp(before);
  const at = card.steps.findIndex((step) => (misted ? step.wait?.what === 'mist' : step.stage === 'build'));
  return Math.max(at, 0);
}
