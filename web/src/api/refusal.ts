import { useUnit } from '../shared/units';
import { words, type Message } from '../words/words';

const AWAY = [0, 503, 507];

/** A refusal of the service, or no answer at all (`status` 0). `requirement` says what is wrong; the message names the field as well. */
export class ServiceError extends Error {
  readonly requirement: string;

  constructor(
    readonly status: number,
    readonly code: string,
    said: Message,
    readonly field?: string | null,
    got?: string | null,
    readonly current?: unknown,
  ) {
    const requirement = words(said, useUnit.getState().unit);
    super(`${field ? `${field}: ` : ''}${requirement}${got ? ` (got ${got})` : ''}`);
    this.requirement = requirement;
  }

  /** True when trying again later can help: the service or its database is away, its disk is full, or it was started anew. */
  get away(): boolean {
    return AWAY.includes(this.status) || this.code === 'not-let-in';
  }
}

/** What went wrong, for a person. */
export function told(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

/** The same as a sentence of its own, for a place where the field is plain; of `subject` where it needs one ("The file is empty."). */
export function asSentence(error: Error, subject?: string): string {
  const bare = error instanceof ServiceError ? error.requirement : error.message;
  const text =
    subject && error instanceof ServiceError && error.field && !/^an? /.test(bare)
      ? `${subject} ${bare}`
      : bare;
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?…]$/.test(text) ? '' : '.'}`;
}
