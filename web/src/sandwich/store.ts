import { create } from 'zustand';
import type { Sandwich, SandwichRecord } from '../api/gen/types.gen';
import { changeSandwich } from '../api/gen/sdk.gen';
import { IDLE, Keeper, type Saving } from '../api/keeper';
import { say } from '../shared/notices';
import { applyEdits, EditRefused, type Change } from './edits';

interface Editor extends Saving<SandwichRecord> {
  /** Which kept sandwich is open; undefined before the first is loaded. */
  id: string | undefined;
  sandwich: Sandwich | undefined;
  /** What the sandwich would be if the drag that is going on ended here. */
  preview: Sandwich | undefined;
  past: Sandwich[];
  future: Sandwich[];
  selected: string | undefined;

  open: (record: SandwichRecord) => void;
  close: () => void;
  /** Lays out a sandwich that is nowhere kept: to practise with. */
  lend: (sandwich: Sandwich) => void;
  /** Carries edits out as one step of undo; none, or such as cannot be carried out, are no step. */
  edit: (changes: Changes, select?: string) => void;
  /** Takes over figures from the shelf; no step of undo, and holds in every earlier step too. */
  refresh: (change: Change) => void;
  setPreview: (preview: Sandwich | undefined) => void;
  select: (id: string | undefined) => void;
  undo: () => void;
  redo: () => void;
  takeTheirs: () => void;
  keepMine: () => void;
}

/** Edits, or what says them of the sandwich as it is then. */
export type Changes = Change[] | ((now: Sandwich) => Change[]);

type Set = (part: Partial<Editor>) => void;

const keeper = new Keeper<Sandwich, SandwichRecord>({
  name: 'sandwich',
  pause: 500,
  send: (id, sandwich, version) => changeSandwich({ path: { sandwich_id: id }, body: { sandwich, version } }),
  tell: (saving) => useEditor.setState(saving),
});

/** Saves what is on the bench if it is not saved yet; true once the service has acknowledged it. */
export const saveNow = (): Promise<boolean> => keeper.now();

/** Notes a change: what is on the page now is not saved yet, and survives a reload. */
function changed(set: Set, part: Partial<Editor> & { sandwich: Sandwich }): void {
  set({ ...part, preview: undefined });
  keeper.change(part.sandwich);
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
  sandwich: undefined,
  preview: undefined,
  past: [],
  future: [],
  selected: undefined,
  ...IDLE,

  open: (record) => {
    const sandwich = keeper.open(record, record.sandwich);
    if (sandwich === get().sandwich) return;
    const selected = sandwich.layers.at(-1)?.id;
    set({ id: record.id, past: [], future: [], preview: undefined, sandwich, selected });
  },
  close: () => {
    keeper.close();
    set({ ...IDLE, id: undefined, sandwich: undefined, past: [], future: [], preview: undefined });
  },
  lend: (sandwich) => {
    keeper.close();
    const selected = sandwich.layers.at(-1)?.id;
    set({ ...IDLE, id: undefined, sandwich, past: [], future: [], preview: undefined, selected });
  },
  edit: (changes, select) => {
    const { sandwich, past } = get();
    if (!sandwich) return;
    const next = edited(sandwich, typeof changes === 'function' ? changes(sandwich) : changes);
    if (next === sandwich) return;
    changed(set, {
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
      changed(set, { sandwich: before, past: past.slice(0, -1), future: [sandwich, ...future] });
  },
  redo: () => {
    const { sandwich, past, future } = get();
    const [after, ...rest] = future;
    if (after && sandwich) changed(set, { sandwich: after, past: [...past, sandwich], future: rest });
  },
  takeTheirs: () => {
    const { theirs, sandwich, past } = get();
    if (!theirs || !sandwich) return;
    set({ sandwich: theirs.sandwich, past: [...past, sandwich], future: [] });
    keeper.takeTheirs(theirs.sandwich);
  },
  keepMine: () => keeper.keepMine(),
}));
