import type { JobFile, Plan } from '../../api/gen/types.gen';
import { t } from '../../words/words';

export type Slot = Plan['schedule']['slots'][number];

/** Moments are in seconds since the beginning of 1970, as a job's file has them. */
export const moment = (): number => Math.round(Date.now() / 100) / 10;

/** Operations that are going on, as the plan has them. */
export const goingOn = (job: JobFile, slots: Slot[]): Slot[] =>
  slots.filter((slot) => job.begun?.[slot.key] !== undefined && !job.done?.includes(slot.key));

/** True if all that comes before an operation is done. */
const ready = (job: JobFile, plan: Plan, key: string): boolean =>
  plan.order.every((pair) => pair.then !== key || job.done?.includes(pair.first));

/** What can be begun now, in the plan's order. */
export const nextUp = (job: JobFile, plan: Plan): Slot[] =>
  plan.schedule.slots.filter(
    (slot) =>
      !job.done?.includes(slot.key) && job.begun?.[slot.key] === undefined && ready(job, plan, slot.key),
  );

/** The job in which an operation begins now. */
export const begun = (job: JobFile, key: string, now: number): JobFile => ({
  ...job,
  begun: { ...job.begun, [key]: now },
});

/** The job in which an operation is done, and how long it took if its beginning is known; what can lie on the rack then lies there. */
export function finished(job: JobFile, plan: Plan, slot: Slot, now: number): JobFile {
  const { [slot.key]: since, ...others } = job.begun ?? {};
  const byHand = slot.place !== 'rack' && since !== undefined && now > since;
  const took = byHand
    ? [...(job.took ?? []), { key: slot.key, count: slot.count, seconds: Math.round(now - since) || 1 }]
    : job.took;
  let next: JobFile = { ...job, begun: others, done: [...(job.done ?? []), slot.key], took };
  for (const lying of nextUp(next, plan).filter((one) => one.place === 'rack'))
    next = begun(next, lying.key, now);
  return next;
}

/** The job in which an operation is not done after all. */
export const undone = (job: JobFile, key: string): JobFile => ({
  ...job,
  done: (job.done ?? []).filter((one) => one !== key),
  took: (job.took ?? []).filter((one) => one.key !== key),
});

/** The job in which an operation is wished before another; a wish for the opposite is taken back. */
export function earlier(job: JobFile, key: string, before: string): JobFile {
  const wanted = job.wanted ?? [];
  const others = wanted.filter((one) => one.first !== before || one.then !== key);
  return {
    ...job,
    wanted: others.length < wanted.length ? others : [...wanted, { first: key, then: before }],
  };
}

/** A time from the beginning, as hours and minutes. */
export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}

/** How long something takes, in words. */
export function duration(seconds: number): string {
  const minutes = Math.max(Math.round(seconds / 60), 1);
  const [h, m] = [Math.floor(minutes / 60), minutes % 60];
  if (h === 0) return t('{m} min', { m });
  return m === 0 ? t('{h} h', { h }) : t('{h} h {m} min', { h, m });
}

/** How long something short takes, in words. */
export const short = (seconds: number): string =>
  seconds < 90 ? t('{seconds} s', { seconds: Math.round(seconds) }) : duration(seconds);

/** A moment by the clock of whoever looks. */
export const atClock = (seconds: number): string =>
  new Date(seconds * 1000).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
