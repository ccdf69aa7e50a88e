import type { Sandwich } from '../api/gen/types.gen';

/** Work that the server has not acknowledged yet, kept in the browser so that a reload does not lose it. */
export interface Draft {
  version: number;
  sandwich: Sandwich;
}

const name = (id: string) => `lofty-draft-${id}`;

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(name(id), JSON.stringify(draft));
  } catch {
    // Storage is full or forbidden: the page still holds the work, and the save state says that it is not saved.
  }
}

export function readDraft(id: string): Draft | undefined {
  try {
    const text = localStorage.getItem(name(id));
    return text ? (JSON.parse(text) as Draft) : undefined;
  } catch {
    return undefined;
  }
}

export function forgetDraft(id: string): void {
  try {
    localStorage.removeItem(name(id));
  } catch {
    // Nothing was kept, so there is nothing to forget.
  }
}
