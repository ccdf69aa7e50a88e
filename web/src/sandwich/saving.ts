import type { SandwichRecord } from '../api/gen/types.gen';
import { changeSandwich } from '../api/gen/sdk.gen';
import { ServiceError } from '../api/refusal';
import { useEditor } from './store';

let inFlight: Promise<boolean> | undefined;

/** Saves what is on the bench if it is not saved yet; true once the server has acknowledged it. Never runs twice at once. */
export function saveNow(): Promise<boolean> {
  inFlight ??= save().finally(() => {
    inFlight = undefined;
  });
  return inFlight;
}

async function save(): Promise<boolean> {
  const {
    id,
    version,
    sandwich: sent,
    saveState,
    markSaving,
    markSaved,
    markAway,
    markConflict,
    markRefused,
  } = useEditor.getState();
  if (!id || !sent || saveState === 'saved') return true;
  if (saveState === 'conflict') return false;
  markSaving();
  try {
    markSaved(await changeSandwich({ path: { sandwich_id: id }, body: { sandwich: sent, version } }), sent);
    return true;
  } catch (error) {
    if (!(error instanceof ServiceError)) throw error;
    if (useEditor.getState().id !== id) return false;
    if (error.code === 'conflict') markConflict(error.current as SandwichRecord);
    else if (error.away) markAway(error.message);
    else markRefused(error.message);
    return false;
  }
}
