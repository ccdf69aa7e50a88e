import { forgetDraft, keepDraft, readDraft } from './drafts';
import { ServiceError } from './refusal';

const AGAIN = 1500; // ms until a save is tried again while the service is away

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused';

/** What is known about the saving of one thing; `theirs` is the service's newest state while there is a conflict. */
export interface Saving<Answer> {
  version: number;
  saveState: SaveState;
  saveMessage: string;
  /** Of the refusal that keeps it from being saved. */
  saveCode: string;
  savedAt: number | undefined;
  theirs: Answer | undefined;
}

/** Nothing is open, so nothing waits. */
export const IDLE = {
  version: 0,
  saveState: 'saved',
  saveMessage: '',
  saveCode: '',
  savedAt: undefined,
  theirs: undefined,
} as const;

interface How<Body, Answer> {
  /** Begins the names of its drafts. */
  name: string;
  /** From a change until it is sent. [ms] */
  pause: number;
  send: (id: string, body: Body, version: number) => Promise<Answer>;
  /** Hears of every change of what is known. */
  tell: (saving: Saving<Answer>) => void;
}

/**
 * Keeps the newest state of one thing: in this browser at once, with the service as soon as it answers. One save at a time, again and again
 * while the service is away; where somebody else saved in the meantime, both states stay until one is chosen.
 */
export class Keeper<Body, Answer extends { id: string; version: number }> {
  private id: string | undefined;
  private body: Body | undefined;
  private saving: Saving<Answer> = IDLE;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private inFlight: Promise<boolean> | undefined;

  constructor(private readonly how: How<Body, Answer>) {}

  /** Opens what the service holds and returns what to show: a draft of this browser that it does not know yet comes first. */
  open(answer: Answer, stored: Body): Body {
    if (this.inFlight && this.id === answer.id && this.body !== undefined) return this.body; // older than what is on its way
    this.close();
    this.id = answer.id;
    const draft = readDraft<Body>(this.draftName);
    if (!draft || JSON.stringify(draft.body) === JSON.stringify(stored)) {
      forgetDraft(this.draftName);
      this.body = stored;
      this.tell({ ...IDLE, version: answer.version });
      return stored;
    }
    this.body = draft.body;
    if (draft.version === answer.version) {
      this.tell({ ...IDLE, version: draft.version, saveState: 'unsaved' });
      this.later(this.how.pause);
    } else this.tell({ ...IDLE, version: draft.version, saveState: 'conflict', theirs: answer });
    return this.body; // whoever hears of a conflict may have chosen already
  }

  close(): void {
    clearTimeout(this.timer);
    this.id = this.body = undefined;
  }

  change(body: Body): void {
    if (this.id === undefined) return;
    this.body = body;
    this.keep();
    if (this.saving.saveState === 'conflict') return;
    this.tell({ saveState: 'unsaved' });
    this.later(this.how.pause);
  }

  /** Saves what is not saved yet; true once the service has acknowledged all of it. Never runs twice at once. */
  now(): Promise<boolean> {
    clearTimeout(this.timer);
    this.inFlight ??= this.save().finally(() => {
      this.inFlight = undefined;
    });
    return this.inFlight;
  }

  /** Ends a conflict with the service's state, `body` of it. */
  takeTheirs(body: Body): void {
    const { theirs } = this.saving;
    if (!theirs) return;
    forgetDraft(this.draftName);
    this.body = body;
    this.tell({ ...IDLE, version: theirs.version });
  }

  /** Ends a conflict with what is on the page. */
  keepMine(): void {
    const { theirs } = this.saving;
    if (!theirs) return;
    this.tell({ version: theirs.version, theirs: undefined, saveState: 'unsaved' });
    this.keep();
    this.later(this.how.pause);
  }

  private get draftName(): string {
    return `${this.how.name}-${this.id ?? ''}`;
  }

  private keep(): void {
    keepDraft(this.draftName, { version: this.saving.version, body: this.body });
  }

  private tell(part: Partial<Saving<Answer>>): void {
    this.saving = { ...this.saving, ...part };
    this.how.tell(this.saving);
  }

  private later(pause: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.now(), pause);
  }

  private async save(): Promise<boolean> {
    for (;;) {
      const { id, body, saving } = this;
      if (id === undefined || body === undefined || saving.saveState === 'saved') return true;
      if (saving.saveState === 'conflict') return false;
      this.tell({ saveState: 'saving' });
      try {
        const answer = await this.how.send(id, body, saving.version);
        if (this.id !== id) continue; // another one was opened meanwhile
        const current = this.body === body;
        const saveState = current ? 'saved' : 'unsaved';
        this.tell({ ...IDLE, version: answer.version, saveState, savedAt: Date.now() });
        if (current) {
          forgetDraft(this.draftName);
          return true;
        }
        this.keep();
      } catch (error) {
        if (!(error instanceof ServiceError)) throw error;
        if (this.id !== id) continue;
        this.failed(error);
        return false;
      }
    }
  }

  private failed(error: ServiceError): void {
    if (error.code === 'conflict') this.tell({ saveState: 'conflict', theirs: error.current as Answer });
    else if (error.away) {
      this.tell({ saveState: 'offline', saveMessage: error.message, saveCode: error.code });
      this.later(AGAIN);
    } else this.tell({ saveState: 'refused', saveMessage: error.message });
  }
}
