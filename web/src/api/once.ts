import { ServiceError } from './refusal';

const PAUSES = [300, 900, 2000, 4000]; // ms between tries while the service is away

/** Keys of things that may or may not have been made: asking for the same again goes on with the same key. */
const pending = new Map<string, string>();

/** The header that makes a repeated request make nothing twice. */
type Keyed = Record<'idempotency-key', string>;

/**
 * Has a thing made once: while the service is away the request is repeated with its key, and when that does not help in time, the same wish
 * gets the same key the next time, so that what had been made after all is not made twice.
 */
export async function once<T>(what: string, asked: unknown, ask: (headers: Keyed) => Promise<T>): Promise<T> {
  const wish = `${what} ${JSON.stringify(asked)}`;
  const key = pending.get(wish) ?? crypto.randomUUID();
  pending.set(wish, key);
  for (let tries = 0; ; tries++) {
    try {
      const made = await ask({ 'idempotency-key': key });
      pending.delete(wish);
      return made;
    } catch (error) {
      const away = error instanceof ServiceError && error.away;
      const pause = PAUSES[tries];
      if (!away) pending.delete(wish);
      if (!away || pause === undefined) throw error;
      await new Promise((resolve) => setTimeout(resolve, pause));
    }
  }
}

/** What tells a file from another one without reading it. */
export const markOf = (file: File): unknown[] => [file.name, file.size, file.lastModified];
