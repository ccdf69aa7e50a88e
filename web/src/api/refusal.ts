const AWAY = [0, 503, 507];

/** A refusal of the service, or no answer at all (`status` 0). */
export class ServiceError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string | null,
    readonly current?: unknown,
  ) {
    super(message);
  }

  /** True when trying again later can help: the service or its database is away, its disk is full, or it was started anew. */
  get away(): boolean {
    return AWAY.includes(this.status) || this.code === 'not-let-in';
  }
}
