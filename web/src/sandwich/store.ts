import { create } from 'zustand';
import type { Sandwich, SandwichRecord } from '../api/gen/types.gen';
import { say } from '../shared/notices';
import { applyEdits, EditRefused, type Change } from './edits';
import { forgetDraft, keepDraft, readDraft } from './drafts';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused';

interface Editor {
  /** Which kept sandwich is open; undefined before the first is loaded. */
  id: string | undefined;
  version: number;
  sandwich: Sandwich | undefined;
  /** What the sandwich would be if the drag that is going on ended here. */
  preview: Sandwich | undefined;
  past: Sandwich[];
  future: Sandwich[];
  selected: string | undefined;
  saveState: SaveState;
  saveMessage: string;
  savedAt: number | undefined;
  /** The newest state on the server while there is a conflict. */
  theirs: SandwichRecord | undefined;

  open: (record: SandwichRecord) => void;
  close: () => void;
  /** Carries edits out as one step of undo; none, or such as cannot be carried out, are no step. */
  edit: (changes: Changes, select?: string) => void;
  /** Takes over figures from the shelf; no step of undo, and holds in every earlier step too. */
  refresh: (change: Change) => void;
  setPreview: (preview: Sandwich | undefined) => void;
  select: (id: string | undefined) => void;
  undo: () => void;
  redo: () => void;
  markSaving: () => void;
  markSaved: (record: SandwichRecord, sent: Sandwich) => void;
  markAway: (message: string) => void;
  markRefused: (message: string) => void;
  markConflict: (theirs: SandwichRecord) => void;
  takeTheirs: () => void;
  keepMine: () => void;
}

/** Edits, or what says them of the sandwich as it is then. */
export type Changes = Change[] | ((now: Sandwich) => Change[]);

type Set = (part: Partial<Editor>) => void;

/** Notes a change: what is on the page now is not saved yet, and survives a reload. */
function changed(set: Set, get: () => Editor, part: Partial<Editor>): void {
  set({ ...part, preview: undefined, saveState: get().saveState === 'conflict' ? 'conflict' : 'unsaved' });
  const { id, version, sandwich } = get();
  if (id && sandwich) keepDraft(id, { version, sandwich });
}

/** The sandwich after edits; as it was, and a word about it, if they cannot be carried out. */
function edited(sandwich: Sandwich, changes: Change[]): Sandwich {
  try {
    return applyEdits(sandwich, changes);
  } catch (error) {
    if (!(error instanceof EditRefused)) throw error;
    say(error.message);
    return sandwich;
  }
}

/** The sandwich on the bench, with undo and redo without limit and what is known about its saving. */
export const useEditor = create<Editor>()((set, get) => ({
  id: undefined,
  version: 0,
  sandwich: undefined,
  preview: undefined,
  past: [],
  future: [],
  selected: undefined,
  saveState: 'saved',
  saveMessage: '',
  savedAt: undefined,
  theirs: undefined,

  open: (record) => {
    const draft = readDraft(record.id);
    const same = draft && JSON.stringify(draft.sandwich) === JSON.stringify(record.sandwich);
    const fresh = {
      id: record.id,
      past: [],
      future: [],
      preview: undefined,
      savedAt: undefined,
      saveMessage: '',
    };
    if (!draft || same) {
      forgetDraft(record.id);
      const { version, sandwich } = record;
      set({
        ...fresh,
        version,
        sandwich,
        saveState: 'saved',
        theirs: undefined,
        selected: sandwich.layers.at(-1)?.id,
      });
      return;
    }
    const stale = draft.version !== record.version;
    set({
      ...fresh,
      version: draft.version,
      sandwich: draft.sandwich,
      selected: draft.sandwich.layers.at(-1)?.id,
      saveState: stale ? 'conflict' : 'unsaved',
      theirs: stale ? record : undefined,
    });
  },
  close: () =>
    set({ id: undefined, sandwich: undefined, past: [], future: [], preview: undefined, theirs: undefined }),
  edit: (changes, select) => {
    const { sandwich, past } = get();
    if (!sandwich) return;
    const next = edited(sandwich, typeof changes === 'function' ? changes(sandwich) : changes);
    if (next === sandwich) return;
    changed(set, get, {
      sandwich: next,
      past: [...past, sandwich],
      future: [],
      ...(select ? { selected: select } : {}),
    });
  },
  refresh: (change) => {
    const { sandwich, past, future } = get();
    const fresh = (known: Sandwich) => applyEdits(known, [change]);
    if (sandwich) set({ sandwich: fresh(sandwich), past: past.map(fresh), future: future.map(fresh) });
  },
  setPreview: (preview) => set({ preview }),
  select: (selected) => set({ selected }),
  undo: () => {
    const { sandwich, past, future } = get();
    const before = past.at(-1);
    if (before && sandwich)
      changed(set, get, { sandwich: before, past: past.slice(0, -1), future: [sandwich, ...future] });
  },
  redo: () => {
    const { sandwich, past, future } = get();
    const [after, ...rest] = future;
    if (after && sandwich) changed(set, get, { sandwich: after, past: [...past, sandwich], future: rest });
  },
  markSaving: () => set({ saveState: 'saving' }),
  markSaved: (record, sent) => {
    const { id, sandwich } = get();
    if (id !== record.id || !sandwich) return;
    const current = sandwich === sent;
    set({
      version: record.version,
      saveState: current ? 'saved' : 'unsaved',
      savedAt: Date.now(),
      saveMessage: '',
      theirs: undefined,
    });
    if (current) forgetDraft(id);
    else keepDraft(id, { version: record.version, sandwich });
  },
  markAway: (saveMessage) => set({ saveState: 'offline', saveMessage }),
  markRefused: (saveMessage) => set({ saveState: 'refused', saveMessage }),
  markConflict: (theirs) => set({ saveState: 'conflict', theirs }),
  takeTheirs: () => {
    const { theirs, sandwich, past } = get();
    if (!theirs || !sandwich) return;
    forgetDraft(theirs.id);
    const taken = {
      sandwich: theirs.sandwich,
      version: theirs.version,
      past: [...past, sandwich],
      future: [],
    };
    set({ ...taken, theirs: undefined, saveState: 'saved' });
  },
  keepMine: () => {
    const { theirs } = get();
    if (theirs) set({ version: theirs.version, theirs: undefined, saveState: 'unsaved' });
  },
}));
