import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { RunBody, Card as RunCard, Step as RunStep } from '../../api/gen/types.gen';
import type { Seen } from '../../api/types';
import { STAGE_TITLES } from '../../looks/steps/stages';
import { PileList } from '../../sandwich/PileList';
import { Kbd } from '../../shared/Kbd';
import { useWords } from '../../shared/useWords';
import { colour, type } from '../../theme/tokens';
import { seenOf, seenWords } from '../../looks/outcomes';
import { ExpectedSheet } from './ExpectedSheet';
import { useMotor } from './motor';
import { MotorFeed } from './MotorFeed';
import { useRunStore } from './runStore';
import { TroubleScreen } from './TroubleScreen';
import { clock, useCountdown } from './useCountdown';
import { t } from '../../words/words';

/** Space bar and Enter, the right arrow, and what foot switches send. */
const ON = 'space, enter, right, pagedown';
const BACK = 'backspace, left, pageup';
const WAITS: Record<string, string> = {
  mist: t('The mist sinks in'),
  drying: t('It dries'),
  heat: t('Heat it'),
  soaking: t('It soaks'),
  cooling: t('It cools'),
};

interface Props {
  card: RunCard;
  body: RunBody;
  step: RunStep;
}

/** One step in large type: what to do, the pile as far as it is built, one big button. */
export function StepScreen({ card, body, step }: Props) {
  const read = useWords();
  const change = useRunStore((store) => store.change);
  const [seen, setSeen] = useState<Seen>();
  const steps = card.steps;
  const wait = step.wait;
  const left = useCountdown(wait ? body.wait_ends : undefined);
  const go = (to: number) => {
    const next = steps[to];
    const turns = steps.slice(0, to).filter((done) => done.turn != null).length;
    change({ step: to, turns, wait_ends: next?.wait ? Date.now() + next.wait.seconds * 1000 : null });
  };
  const on = () => go(body.step + 1);
  const back = () => body.step > 0 && go(body.step - 1);
  const feeding = useMotor((motor) => motor.feeding); // then there is one thing to do: stop it
  const keys = { enabled: seen === undefined && !feeding, preventDefault: true };
  useHotkeys(ON, on, keys);
  useHotkeys(BACK, back, keys);
  useHotkeys('1,2,3,4,5', (event) => setSeen(seenOf(body.sandwich.effect.kind)[Number(event.key) - 1]), keys);

  // a run that begins with a wait, or came back to one, has its clock started here
  useEffect(() => {
    if (wait && body.wait_ends == null) change({ wait_ends: Date.now() + wait.seconds * 1000 });
  }, [wait, body.wait_ends, change]);

  if (seen) return <TroubleScreen body={body} seen={seen} card={card} onClose={() => setSeen(undefined)} />;
  return (
    <Frame>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, fontSize: 18, color: colour.quiet }}>
        <span style={{ color: colour.accent, fontWeight: 700, fontFamily: type.head }}>
          {STAGE_TITLES[step.stage]}
        </span>
        <span data-testid="progress">
          {t('Step {step} of {count}', { step: body.step + 1, count: steps.length })}
        </span>
        <span style={{ flex: 1 }} />
        <Kept />
      </Box>
      <Progress at={body.step} of={steps.length} />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', gap: 5, paddingTop: '18px' }}>
        <Box sx={{ flex: 1, minWidth: 0, overflowY: 'auto' }} aria-live="polite">
          <Typography
            variant="h1"
            data-testid="step"
            sx={{ fontSize: { xs: 40, lg: 54 }, lineHeight: 1.08, marginBottom: '16px' }}
          >
            {read(step.text)}
          </Typography>
          {step.turn != null && <Turns body={body} steps={steps} step={step} />}
          {step.turn != null && body.sandwich.press.drive.kind === 'motor' && (
            <MotorFeed key={body.step} body={body} onSeen={setSeen} />
          )}
          {wait && left !== undefined && (
            <Box data-testid="timer" sx={{ margin: '0 0 14px', fontFamily: type.head }}>
              <span style={{ fontSize: 72, fontWeight: 700, lineHeight: 1 }}>{clock(left)}</span>
              <span style={{ fontSize: 24, marginLeft: 16, color: colour.quiet }}>
                {left > 0 ? WAITS[wait.what] : t("Time's up. Go on when you like.")}
              </span>
            </Box>
          )}
          <Typography sx={{ fontSize: 25, lineHeight: 1.32, maxWidth: 720 }}>{read(step.detail)}</Typography>
          {step.care.map((care, index) => (
            <Typography
              key={index}
              sx={{
                fontSize: 21,
                lineHeight: 1.3,
                color: colour.stop,
                marginTop: '12px',
                borderLeft: `3px solid ${colour.stop}`,
                paddingLeft: '12px',
                maxWidth: 720,
              }}
            >
              {read(care)}
            </Typography>
          ))}
        </Box>
        <Box sx={{ width: 430, flexShrink: 0, overflowY: 'auto' }}>
          {step.stage === 'look' ? (
            <ExpectedSheet sandwich={body.sandwich} />
          ) : (
            <PileList sandwich={body.sandwich} current={step.layer} building={step.stage === 'build'} large />
          )}
        </Box>
      </Box>
      {steps[body.step + 1] && (
        <Typography noWrap sx={{ fontSize: 18, color: colour.quiet, margin: '6px 0 12px' }}>
          {t('Then: {text}', { text: read(steps[body.step + 1]?.text) })}
        </Typography>
      )}
      <SomethingWrong effect={body.sandwich.effect.kind} onSeen={setSeen} />
      <Box sx={{ display: 'flex', gap: 2 }}>
        <Button
          variant="outlined"
          disabled={body.step === 0 || feeding}
          onClick={back}
          sx={{ fontSize: 22, width: 170, height: 76 }}
        >
          {t('Back')}
          <Kbd style={{ marginLeft: 12, fontSize: 15 }}>←</Kbd>
        </Button>
        <Button
          variant="contained"
          disabled={feeding}
          onClick={on}
          sx={{ flex: 1, fontSize: 26, height: 76 }}
        >
          {body.step + 1 === steps.length ? t('Done') : t('Done, next')}
          <Kbd style={{ marginLeft: 16, fontSize: 15 }}>{t('space')}</Kbd>
        </Button>
      </Box>
    </Frame>
  );
}

/** What may have gone wrong with this effect, a key each. */
function SomethingWrong({ effect, onSeen }: { effect: string; onSeen: (seen: Seen) => void }) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', marginBottom: '10px' }}>
      <span style={{ color: colour.quiet, fontSize: 16 }}>{t('Something wrong?')}</span>
      {seenOf(effect).map((what, index) => (
        <Button
          key={what}
          color="error"
          variant="outlined"
          onClick={() => onSeen(what)}
          sx={{ fontSize: 16, padding: '6px 12px' }}
        >
          <Kbd style={{ marginRight: 8 }}>{index + 1}</Kbd>
          {seenWords(what)}
        </Button>
      ))}
    </Box>
  );
}

/** The screen of a run: as large as the window leaves it. */
export function Frame({ children }: { children: React.ReactNode }) {
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', padding: '16px 32px 20px' }}>
      {children}
    </Box>
  );
}

function Progress({ at, of }: { at: number; of: number }) {
  return (
    <Box aria-hidden="true" sx={{ height: 4, background: colour.hairline, marginTop: '8px' }}>
      <Box sx={{ height: 4, width: `${(100 * at) / of}%`, background: colour.accent }} />
    </Box>
  );
}

function Turns({ body, steps, step }: { body: RunBody; steps: RunStep[]; step: RunStep }) {
  const all = steps.filter((one) => one.turn != null);
  return (
    <Box
      data-testid="turns"
      aria-label={t('Pass {turn} of {count}, {turns} done', {
        turn: step.turn ?? '',
        count: all.length,
        turns: body.turns,
      })}
      sx={{ display: 'flex', gap: '12px', marginBottom: '16px' }}
    >
      {all.map((one) => (
        <Box
          key={one.turn}
          sx={{
            width: 60,
            height: 60,
            borderRadius: '50%',
            border: `3px solid ${one.turn === step.turn ? colour.accent : colour.hairline}`,
            background: (one.turn ?? 0) <= body.turns ? colour.accent : 'transparent',
            color: (one.turn ?? 0) <= body.turns ? '#fff' : colour.ink,
            display: 'grid',
            placeItems: 'center',
            fontFamily: type.head,
            fontSize: 28,
            fontWeight: 700,
          }}
        >
          {one.turn}
        </Box>
      ))}
    </Box>
  );
}

/** Whether the newest step is kept; said quietly, and loudly only if not. */
export function Kept() {
  const saved = useRunStore((store) => store.saved);
  const trouble = useRunStore((store) => store.trouble);
  return (
    <span
      role="status"
      style={{ fontSize: 15, fontWeight: 400, color: trouble ? colour.warn : colour.quiet }}
    >
      {trouble ?? (saved ? t('saved') : t('saving …'))}
    </span>
  );
}
