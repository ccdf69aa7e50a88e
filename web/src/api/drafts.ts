/** Work that the service has not acknowledged yet, kept in the browser so that a reload does not lose it. */
export interface Draft<Body> {
  version: number;
  body: Body;
}

const nameOf = (name: string) => `lofty-draft-${name}`;

export function keepDraft(name: string, draft: Draft<unknown>): void {
  try {
    localStorage.setItem(nameOf(name), JSON.stringify(draft));
  } catch {
    // Storage is full or forbidden: the page still holds the work, and the save state says that it is not saved.
  }
}

export function readDraft<Body>(name: string): Draft<Body> | undefined {
  try {
    const found = JSON.parse(localStorage.getItem(nameOf(name)) ?? 'null') as Draft<Body> | null;
    return found?.body ? found : undefined;
  } catch {
    return undefined;
  }
}

export function forgetDraft(name: string): void {
  try {
    localStorage.removeItem(nameOf(name));
  } catch {
    // Nothing was kept, so there is nothing to forget.
  }
}
