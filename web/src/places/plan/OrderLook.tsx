import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { JobFile, Plan } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { figure } from '../../words/figures';
import { t } from '../../words/words';
import { AtPress } from './AtPress';
import { duration, earlier, finished, hours, moment, short, undone, type Slot } from './progress';
import { Wishes } from './Wishes';
import { Hands } from './Hands';

interface Props {
  id: string;
  job: JobFile;
  plan: Plan;
  onChange: (job: JobFile) => void;
}

const LANES = ['hands', 'press', 'heat', 'rack'] as const;
const LANE_WORDS = { hands: t('Hands'), press: t('Press'), heat: t('Heat'), rack: t('Rack') };
const FILL = { hands: colour.metalDeep, press: colour.accent, heat: colour.warn, rack: colour.accentWash };

/** The afternoon as a quiet line of time, and below it what is done when, and why in this order. */
export function OrderLook({ id, job, plan, onChange }: Props) {
  const read = useWords();
  const [shown, setShown] = useState<string>();
  const { slots, length_s: length, bound_s: bound, set_ups: setUps } = plan.schedule;
  const names = new Map(plan.sizes.map((size) => [size.key, size.name]));
  const nameOf = (slot: Slot) => names.get(slot.piece) ?? slot.piece;
  const lanes = LANES.filter((lane) => slots.some((slot) => slot.place === lane));
  return (
    <Box>
      <Typography variant="h2">
        {plan.schedule.done.length > 0
          ? t('{time} of work from now', { time: duration(length) })
          : t('{time} of work', { time: duration(length) })}
      </Typography>
      <Box sx={{ color: colour.quiet }}>
        {setUps === 1 && t('You build one pile at the press. ')}
        {setUps > 1 && t('You build piles at the press {count} times. ', { count: setUps })}
        {bound >= length
          ? t('No order is faster.')
          : t('No order is faster than {bound}.', { bound: duration(bound) })}
      </Box>
      <Pace tempo={plan.schedule.tempo} />
      <Times times={plan.schedule.times} />
      <Box sx={{ margin: '6px 0 8px' }}>
        <Button component={Link} to={`/plan/${id}/work`} variant="contained">
          {job.done?.length || Object.keys(job.begun ?? {}).length > 0
            ? t('Go on with the work')
            : t('Start working')}
        </Button>
      </Box>
      <Hands job={job} onChange={onChange} />
      <Box role="img" aria-label={t('Time line')} sx={{ margin: '14px 0 18px' }}>
        {lanes.map((lane) => (
          <Box key={lane} sx={{ display: 'flex', alignItems: 'center', height: 24 }}>
            <span style={{ width: 54, fontSize: 13, color: colour.quiet }}>{LANE_WORDS[lane]}</span>
            <Box
              sx={{ position: 'relative', flex: 1, height: 16, borderBottom: `1px solid ${colour.hairline}` }}
            >
              {slots
                .filter((slot) => slot.place === lane)
                .map((slot) => (
                  <Box
                    key={slot.key}
                    title={`${nameOf(slot)}: ${hours(slot.begin_s)} – ${hours(slot.end_s)}`}
                    onMouseEnter={() => setShown(slot.key)}
                    onMouseLeave={() => setShown(undefined)}
                    sx={{
                      position: 'absolute',
                      left: `${(100 * slot.begin_s) / length}%`,
                      width: `calc(${(100 * (slot.end_s - slot.begin_s)) / length}% - 1px)`,
                      minWidth: 2,
                      height: 16,
                      background: FILL[lane],
                      outline: slot.key === shown ? `2px solid ${colour.ink}` : 'none',
                    }}
                  />
                ))}
            </Box>
          </Box>
        ))}
      </Box>
      {plan.schedule.done.length > 0 && (
        <Box component="ul" aria-label={t('Done')} sx={{ listStyle: 'none', padding: 0, margin: '0 0 10px' }}>
          {plan.schedule.done.map((one) => (
            <Box
              component="li"
              key={one.key}
              sx={{ display: 'flex', gap: '14px', padding: '2px 0', color: colour.quiet }}
            >
              <input
                type="checkbox"
                checked
                onChange={() => onChange(undone(job, one.key))}
                aria-label={t('{piece}, {work}: done', {
                  piece: names.get(one.piece) ?? one.piece,
                  work: read(one.title),
                })}
                style={{ width: 24, height: 24, margin: 0, accentColor: colour.accent }}
              />
              <s>
                {names.get(one.piece) ?? one.piece}, {read(one.title)}
              </s>
            </Box>
          ))}
        </Box>
      )}
      <Broken plan={plan} nameOf={(key) => called(plan, key, names, read)} />
      <Wishes job={job} plan={plan} onChange={onChange} />
      <Box component="ol" aria-label={t('Order of work')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {slots.map((slot, n) => (
          <Step
            key={slot.key}
            id={id}
            plan={plan}
            slot={slot}
            name={nameOf(slot)}
            lit={slot.key === shown}
            onEarlier={slots[n - 1] && (() => onChange(earlier(job, slot.key, slots[n - 1]?.key ?? '')))}
            onDone={() => onChange(finished(job, plan, slot, moment()))}
            onPoint={(on) => setShown(on ? slot.key : undefined)}
          />
        ))}
      </Box>
    </Box>
  );
}

interface StepProps {
  id: string;
  plan: Plan;
  slot: Slot;
  name: string;
  lit: boolean;
  /** Asks for it before the one that comes before it; none for the first. */
  onEarlier: (() => void) | undefined;
  onDone: () => void;
  onPoint: (on: boolean) => void;
}

function Step({ id, plan, slot, name, lit, onEarlier, onDone, onPoint }: StepProps) {
  const read = useWords();
  const why = plan.order.filter((pair) => pair.then === slot.key && pair.first.startsWith(`${slot.piece}:`));
  return (
    <Box
      component="li"
      onMouseEnter={() => onPoint(true)}
      onMouseLeave={() => onPoint(false)}
      sx={{
        display: 'flex',
        gap: '14px',
        padding: '4px 0',
        borderBottom: `1px solid ${colour.hairline}`,
        background: lit ? colour.accentWash : 'transparent',
      }}
    >
      <input
        type="checkbox"
        checked={false}
        onChange={onDone}
        aria-label={t('{piece}, {work}: done', { piece: name, work: read(slot.title) })}
        style={{ width: 24, height: 24, margin: 0, accentColor: colour.accent }}
      />
      <span style={{ width: 44, fontVariantNumeric: 'tabular-nums', color: colour.quiet }}>
        {hours(slot.begin_s)}
      </span>
      <span style={{ flex: 1 }}>
        <b>{name}</b>, {read(slot.title)}
        <span style={{ color: colour.quiet }}>
          {slot.going && ` ${t('(going on)')}`}
          {` × ${slot.count}`}
          {slot.press && `, ${slot.press}${slot.pile ? `: ${slot.pile}` : ''}`}
          {slot.start_s > slot.begin_s &&
            t(', after {time} to change the pile', { time: short(slot.start_s - slot.begin_s) })}
          {slot.at_a_time != null && t(', at most {count} at a time', { count: slot.at_a_time })}
        </span>
        {slot.place === 'press' && slot.pile && (
          <>
            {' '}
            <AtPress pile={slot.pile} plan={id} />
          </>
        )}
        {onEarlier && (
          <Button
            sx={{ fontSize: 13.5, padding: '0 6px', minWidth: 28, color: colour.quiet }}
            title={t('Earlier')}
            aria-label={t('{piece}, {work}: earlier', { piece: name, work: read(slot.title) })}
            onClick={onEarlier}
          >
            ↑
          </Button>
        )}
        {why.length > 0 && lit && (
          <span style={{ display: 'block', color: colour.quiet, fontSize: 13.5 }}>
            {why.map((pair) => read(pair.why)).join(' ')}
          </span>
        )}
      </span>
    </Box>
  );
}

/** What an operation is called: its piece and what is done to it. */
function called(plan: Plan, key: string, names: Map<string, string>, read: ReturnType<typeof useWords>) {
  const one = [...plan.schedule.slots, ...plan.schedule.done].find((each) => each.key === key);
  return one ? `${names.get(one.piece) ?? one.piece}: ${read(one.title)}` : key;
}

/** What the trade does the other way round, and what that costs. */
function Broken({ plan, nameOf }: { plan: Plan; nameOf: (key: string) => string }) {
  const read = useWords();
  return plan.broken.map((one) => (
    <Box key={`${one.first} ${one.then}`} role="note" sx={{ color: colour.warn, margin: '0 0 6px' }}>
      {t('Better {first} before {then}. {why}', {
        first: nameOf(one.first),
        then: nameOf(one.then),
        why: read(one.why),
      })}
    </Box>
  ));
}

/** What each kind of work is taken to last, and how far to trust that. */
function Times({ times }: { times: Plan['schedule']['times'] }) {
  const read = useWords();
  const told = (seconds: number) => (seconds > 0 ? short(seconds) : '–');
  return (
    <Box component="details" sx={{ color: colour.quiet, fontSize: 13.5, marginBottom: '4px' }}>
      <summary style={{ cursor: 'pointer' }}>{t('Where the hours come from')}</summary>
      <Box component="table" sx={{ borderCollapse: 'collapse', '& td, & th': { padding: '1px 14px 1px 0' } }}>
        <thead>
          <tr>
            <th style={{ textAlign: 'left' }}>{t('work')}</th>
            <th>{t('once')}</th>
            <th>{t('per piece')}</th>
            <th style={{ textAlign: 'left' }}>{t('from')}</th>
          </tr>
        </thead>
        <tbody>
          {times.map((one) => (
            <tr key={one.work}>
              <td>{read(one.title)}</td>
              <td>{told(one.begin_s)}</td>
              <td>{told(one.each_s)}</td>
              <td>{one.source === 'watched' ? t('practitioners at work') : t('assumed')}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

/** How fast whoever works is, where that was seen. */
function Pace({ tempo }: { tempo: Plan['schedule']['tempo'] }) {
  const read = useWords();
  if (tempo.length === 0)
    return <Box sx={{ color: colour.quiet }}>{t('These are typical hours. Your own replace them.')}</Box>;
  return (
    <Box sx={{ color: colour.quiet }} data-testid="pace">
      {t('From your own hours: ')}
      {tempo
        .map((one) =>
          t('{work} takes {factor} times as long as usual ({seen} timed)', {
            work: read(one.title),
            factor: figure(one.factor, 'number', 'mm', 2),
            seen: one.seen,
          }),
        )
        .join(', ')}
    </Box>
  );
}
