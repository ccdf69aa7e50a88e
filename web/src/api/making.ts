import { makeSandwich, rawRun, startRun } from './gen/sdk.gen';
import type { RunBody, RunRecord, RunWrite, Sandwich, SandwichRecord } from './gen/types.gen';
import { once } from './once';

/** Makes a sandwich, once however often it is asked for while the service is away. */
export const makeOne = (sandwich: Sandwich): Promise<SandwichRecord> =>
  once('sandwich', sandwich, (headers) => makeSandwich({ body: { sandwich }, headers }));

/** A run that is not begun yet. */
export const freshRun = (sandwich: Sandwich): RunBody => ({
  sandwich,
  step: 0,
  turns: 0,
  wait_ends: null,
  events: [],
  result: null,
  cause: null,
  effort: null,
  paper_sheets: null,
  trace: null,
  known: false,
  left_out: false,
  tags: [],
  note: '',
});

/** Starts a run, once. */
export const startOne = (body: RunWrite): Promise<RunRecord> =>
  once('run', body, (headers) => startRun({ body, headers }));

/** The version of a run that cannot be read but as it was stored. */
export async function storedVersion(run_id: string): Promise<number> {
  const stored = (await rawRun({ path: { run_id } })) as { version: number };
  return stored.version;
}

/** An answer taken as it was written; the generated type knows only what it means. */
export const written = async (answer: Promise<unknown>): Promise<string> => String(await answer);
