import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useParams } from 'react-router';
import { planJobOptions } from '../../api/gen/@tanstack/react-query.gen';
import type { JobFile, Plan } from '../../api/gen/types.gen';
import { asSentence } from '../../api/refusal';
import { Kbd } from '../../shared/Kbd';
import { Notice } from '../../shared/Notice';
import { useWords } from '../../shared/useWords';
import { colour, type } from '../../theme/tokens';
import { t } from '../../words/words';
import { clock, useCountdown } from '../press/useCountdown';
import { useWakeLock } from '../press/useWakeLock';
import { AtPress } from './AtPress';
import { usePlan } from './planStore';
import { PutAway } from './PutAway';
import { atClock, begun, finished, goingOn, duration, moment, nextUp, short, type Slot } from './progress';
import { OneSheet } from './SheetsLook';
import { useOpenedPlan } from './useOpenedPlan';

const ANEW = 60_000; // ms after which the hours are told anew while something goes on
const THEN = 4; // operations that are shown ahead

/** Keys are this page's as long as one is here: it still stands for a moment while the press's page is fetched. */
const KEYS = { preventDefault: true, enabled: () => window.location.pathname.startsWith('/plan/') };

/** `/plan/:id/work`: the plan at work, one operation a screen, what dries beside it. */
export function WorkPlace() {
  const { id = '' } = useParams();
  const opened = useOpenedPlan(id);
  useWakeLock();
  if (!opened.job) return opened.instead;
  return <AtWork id={id} job={opened.job} />;
}

function AtWork({ id, job }: { id: string; job: JobFile }) {
  const { change, undo } = usePlan();
  const plan = useQuery({
    ...planJobOptions({ body: job }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    refetchInterval: Object.keys(job.begun ?? {}).length > 0 ? ANEW : false,
  });
  const there = plan.data;
  const going = there ? goingOn(job, there.schedule.slots) : [];
  const open = there ? nextUp(job, there) : [];
  const current = going.find((slot) => slot.place !== 'rack');
  const next = open.find((slot) => slot.place !== 'rack') ?? open[0];
  const on = () => {
    if (there && current) change(finished(job, there, current, moment()));
    else if (next) change(begun(job, next.key, moment()));
  };
  useHotkeys('space, enter, right, pagedown', on, KEYS);
  useHotkeys('u, backspace', undo, KEYS);
  if (!there)
    return (
      <Box sx={{ padding: 6 }}>
        <Notice
          title={plan.error ? t("Can't plan this job yet.") : t('Planning')}
          text={plan.error ? asSentence(plan.error) : t('Trying cuts and hours takes a few seconds.')}
        >
          <Link to={`/plan/${id}`}>{t('To the plan')}</Link>
        </Notice>
      </Box>
    );
  const names = new Map(there.sizes.map((size) => [size.key, size.name]));
  const all = there.schedule.slots.length + there.schedule.done.length;
  const shown = current ?? next;
  const rack = going.filter((slot) => slot.place === 'rack');
  return (
    <Box
      sx={{
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        padding: { xs: '12px 16px 16px', md: '16px 32px 20px' },
        overflow: { xs: 'auto', md: 'hidden' },
      }}
    >
      <WorkHead id={id} job={job} plan={there} all={all} />
      <Box
        sx={{
          flex: { xs: '0 0 auto', md: 1 },
          minHeight: { md: 0 },
          display: 'flex',
          flexWrap: { xs: 'wrap', md: 'nowrap' },
          gap: 5,
          paddingTop: '18px',
        }}
      >
        <Box
          role="region"
          aria-label={t('What to do now')}
          tabIndex={0}
          aria-live="polite"
          sx={{ flex: '1 1 320px', minWidth: 0, overflowY: 'auto' }}
        >
          {shown ? (
            <Operation
              id={id}
              job={job}
              plan={there}
              slot={shown}
              name={names.get(shown.piece) ?? shown.piece}
            />
          ) : rack.length > 0 ? (
            <Typography variant="h1" sx={{ fontSize: { xs: 34, lg: 46 } }}>
              {t('Waiting for things to dry')}
            </Typography>
          ) : (
            <AllDone id={id} job={job} />
          )}
        </Box>
        <Box sx={{ width: { xs: '100%', md: 360 }, flexShrink: 0, overflowY: 'auto' }}>
          {rack.length > 0 && (
            <Box component="section" aria-label={t('On the rack')} sx={{ marginBottom: '18px' }}>
              <Typography variant="h2">{t('On the rack')}</Typography>
              {rack.map((slot) => (
                <Drying
                  key={slot.key}
                  name={names.get(slot.piece) ?? slot.piece}
                  ends={((job.begun?.[slot.key] ?? 0) + slot.planned_s) * 1000}
                  onDry={() => change(finished(job, there, slot, moment()))}
                />
              ))}
            </Box>
          )}
          <Ahead
            slots={there.schedule.slots.filter((slot) => slot !== shown && !rack.includes(slot))}
            names={names}
          />
        </Box>
      </Box>
      <WorkFoot begun={current !== undefined} enabled={shown !== undefined} onOn={on} />
    </Box>
  );
}

/** Which plan it is, how much of it is done, and how long the rest takes. */
function WorkHead({ id, job, plan, all }: { id: string; job: JobFile; plan: Plan; all: number }) {
  const { saved, trouble } = usePlan();
  return (
    <>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 18px', fontSize: 18, color: colour.quiet }}
        data-testid="at-work"
      >
        <Link to={`/plan/${id}`} style={{ color: colour.accent, fontWeight: 700 }}>
          {job.name}
        </Link>
        <span>{t('{done} of {all} done', { done: job.done?.length ?? 0, all })}</span>
        <span>
          {plan.schedule.slots.length > 0 && t('{left} left', { left: duration(plan.schedule.length_s) })}
        </span>
        <span style={{ flex: 1 }} />
        <span role="status" style={{ fontSize: 15 }}>
          {trouble ?? (saved ? t('saved') : t('saving …'))}
        </span>
      </Box>
      <Box aria-hidden="true" sx={{ height: 4, background: colour.hairline, marginTop: '8px' }}>
        <Box
          sx={{
            height: 4,
            width: `${(100 * (job.done?.length ?? 0)) / Math.max(all, 1)}%`,
            background: colour.accent,
          }}
        />
      </Box>
    </>
  );
}

/** Takes back the last step, or goes on. */
function WorkFoot({ begun, enabled, onOn }: { begun: boolean; enabled: boolean; onOn: () => void }) {
  const { undo, past } = usePlan();
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 2,
        paddingTop: '12px',
        marginTop: { xs: 'auto', md: 0 },
        position: 'sticky',
        bottom: { xs: -16, md: 0 },
        paddingBottom: { xs: '16px', md: 0 },
        background: colour.paper,
      }}
    >
      <Button
        variant="outlined"
        disabled={past.length === 0}
        onClick={undo}
        sx={{ fontSize: 20, width: 150, height: 72 }}
      >
        {t('Undo')} <Kbd style={{ marginLeft: 12, fontSize: 15 }}>u</Kbd>
      </Button>
      <Button
        variant="contained"
        disabled={!enabled}
        onClick={onOn}
        sx={{ flex: 1, fontSize: 26, height: 72 }}
      >
        {begun ? t('Done') : t('Start')}
        <Kbd style={{ marginLeft: 16, fontSize: 15 }}>{t('space')}</Kbd>
      </Button>
    </Box>
  );
}

interface OperationProps {
  id: string;
  job: JobFile;
  plan: Plan;
  slot: Slot;
  name: string;
}

/** What is to be done now, on how many, how long it takes, and why it comes here. */
function Operation({ id, job, plan, slot, name }: OperationProps) {
  const read = useWords();
  const since = job.begun?.[slot.key];
  const why = plan.order.filter((pair) => pair.then === slot.key || pair.first === slot.key);
  const ends = since === undefined ? undefined : (since + slot.planned_s) * 1000;
  const reasons = [...new Set(why.map((pair) => read(pair.why)))].slice(0, 3);
  const stock = job.pieces.find((piece) => slot.piece.startsWith(piece.key))?.stock;
  const sheets = plan.cut_list.sheets.filter(
    (sheet) => sheet.stock === stock && sheet.pieces.some((piece) => slot.piece.startsWith(piece.key)),
  );
  return (
    <>
      <Typography
        variant="h1"
        data-testid="operation"
        sx={{ fontSize: { xs: 36, lg: 50 }, lineHeight: 1.08, marginBottom: '10px' }}
      >
        {read(slot.title)[0]?.toUpperCase()}
        {read(slot.title).slice(1)}: {name}
      </Typography>
      <Typography sx={{ fontSize: 25, lineHeight: 1.32 }}>
        {t('{count} of them, about {time}.', { count: slot.count, time: duration(slot.planned_s) })}
        {slot.start_s > slot.begin_s &&
          ` ${t('First change the pile, {time}.', { time: short(slot.start_s - slot.begin_s) })}`}
      </Typography>
      {slot.at_a_time != null && (
        <Typography sx={{ fontSize: 25, lineHeight: 1.32 }}>
          {t('One piece at a time, or up to {count} together: the first has to dry first.', {
            count: slot.at_a_time,
          })}
        </Typography>
      )}
      {ends !== undefined && <Running ends={ends} />}
      {slot.pile && slot.place === 'press' && (
        <Box sx={{ fontSize: 22, margin: '10px 0' }}>
          {t('In the sandwich {pile}.', { pile: slot.pile })} <AtPress pile={slot.pile} plan={id} />
        </Box>
      )}
      {reasons.map((reason) => (
        <Typography key={reason} sx={{ fontSize: 19, color: colour.quiet, marginTop: '8px', maxWidth: 720 }}>
          {reason}
        </Typography>
      ))}
      {slot.work === 'trim' && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '14px', marginTop: '14px' }}>
          {sheets.map((sheet, n) => (
            <OneSheet
              key={n}
              unit={job.unit}
              names={new Map(plan.sizes.map((size) => [size.key, size.name]))}
              sheet={sheet}
              name={job.stocks?.find((one) => one.key === sheet.stock)?.name ?? sheet.stock}
              tint={job.stocks?.find((one) => one.key === sheet.stock)?.colour}
            />
          ))}
        </Box>
      )}
    </>
  );
}

/** The time that is left of what is going on, or by how much it is over. */
function Running({ ends }: { ends: number }) {
  const left = useCountdown(ends);
  return (
    <Box data-testid="running" sx={{ margin: '6px 0', fontFamily: type.head }}>
      <span style={{ fontSize: 56, fontWeight: 700, lineHeight: 1.1 }}>{clock(left ?? 0)}</span>
      <span style={{ fontSize: 20, marginLeft: 14, color: colour.quiet }}>
        {left
          ? t('until {time}', { time: atClock(ends / 1000) })
          : t('Running late; later times have moved.')}
      </span>
    </Box>
  );
}

function Drying({ name, ends, onDry }: { name: string; ends: number; onDry: () => void }) {
  const left = useCountdown(ends) ?? 0;
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: '12px',
        borderBottom: `1px solid ${colour.hairline}`,
        padding: '6px 0',
        fontSize: 18,
      }}
    >
      <b style={{ flex: 1 }}>{name}</b>
      <span style={{ fontVariantNumeric: 'tabular-nums', color: left > 0 ? colour.quiet : colour.accent }}>
        {left > 0 ? clock(left) : t('time is up')}
      </span>
      <Button variant="outlined" onClick={onDry} aria-label={t('{piece} is dry', { piece: name })}>
        {t('It is dry')}
      </Button>
    </Box>
  );
}

function Ahead({ slots, names }: { slots: Slot[]; names: Map<string, string> }) {
  const read = useWords();
  if (slots.length === 0) return null;
  return (
    <Box component="section" aria-label={t('After that')}>
      <Typography variant="h2">{t('After that')}</Typography>
      <Box component="ol" sx={{ margin: '4px 0', paddingLeft: '20px', fontSize: 17, color: colour.quiet }}>
        {slots.slice(0, THEN).map((slot) => (
          <li key={slot.key}>
            {names.get(slot.piece) ?? slot.piece}, {read(slot.title)}
          </li>
        ))}
      </Box>
    </Box>
  );
}

function AllDone({ id, job }: { id: string; job: JobFile }) {
  return (
    <>
      <Typography variant="h1" sx={{ fontSize: { xs: 34, lg: 46 } }}>
        {t('All done')}
      </Typography>
      <Typography sx={{ fontSize: 22, margin: '10px 0 16px' }}>
        {t('{count} made.', { count: job.count })}
      </Typography>
      <PutAway id={id} job={job} />
    </>
  );
}
