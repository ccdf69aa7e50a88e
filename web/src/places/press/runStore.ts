import { create } from 'zustand';
import type { RunBody, RunRecord, RunWrite } from '../../api/gen/types.gen';
import { changeRun } from '../../api/gen/sdk.gen';
import { ServiceError } from '../../api/refusal';

const RETRY = 3000; // ms until a save is tried again while the service is away
const draftKey = (id: string) => `lofty-run-${id}`;

interface Draft {
  version: number;
  write: RunWrite;
}

interface Store {
  id: string | undefined;
  version: number;
  write: RunWrite | undefined;
  photo: boolean;
  /** What the page knows beyond what is kept: why a save failed, if one did. */
  trouble: string | undefined;
  saved: boolean;
  open: (record: RunRecord) => void;
  change: (part: Partial<RunBody>, state?: RunWrite['state']) => void;
}

let saving = false;
let timer: ReturnType<typeof setTimeout> | undefined;

/** The run at the press: every step is kept in this browser at once and by the service as soon as it answers. */
export const useRunStore = create<Store>()((set, get) => ({
  id: undefined,
  version: 0,
  write: undefined,
  photo: false,
  trouble: undefined,
  saved: true,
  open: (record) => {
    const { id, version, photo, sandwich_id, state, body } = record;
    const draft = readDraft(id);
    const newer = draft !== undefined && draft.version === version;
    if (!newer) localStorage.removeItem(draftKey(id));
    const write = newer ? draft.write : { sandwich_id, state, body };
    set({ id, version, photo, write, trouble: undefined, saved: !newer });
    if (newer) void save();
  },
  change: (part, state) => {
    const { id, version, write } = get();
    if (!id || !write) return;
    const next = { ...write, state: state ?? write.state, body: { ...write.body, ...part } };
    localStorage.setItem(draftKey(id), JSON.stringify({ version, write: next } satisfies Draft));
    set({ write: next, saved: false });
    void save();
  },
}));

function readDraft(id: string): Draft | undefined {
  try {
    const text = localStorage.getItem(draftKey(id));
    return text ? (JSON.parse(text) as Draft) : undefined;
  } catch {
    return undefined;
  }
}

/** Sends what is on the page, one save at a time, until the newest state is kept. */
async function save(): Promise<void> {
  if (saving) return;
  saving = true;
  clearTimeout(timer);
  try {
    for (;;) {
      const { id, version, write } = useRunStore.getState();
      if (!id || !write) return;
      const record = await changeRun({ path: { run_id: id }, body: { ...write, version } });
      const now = useRunStore.getState();
      if (now.id !== id) return;
      const current = now.write === write;
      useRunStore.setState({ version: record.version, trouble: undefined, saved: current });
      if (current) {
        localStorage.removeItem(draftKey(id));
        return;
      }
      if (now.write)
        localStorage.setItem(draftKey(id), JSON.stringify({ version: record.version, write: now.write }));
    }
  } catch (error) {
    failed(error);
  } finally {
    saving = false;
  }
}

function failed(error: unknown): void {
  if (!(error instanceof ServiceError)) throw error;
  if (error.away) {
    useRunStore.setState({ trouble: 'Kept on this page; it is sent as soon as Lofty Press answers.' });
    timer = setTimeout(() => void save(), RETRY);
    return;
  }
  if (error.status === 409 && error.current) {
    const theirs = error.current as RunRecord;
    localStorage.removeItem(draftKey(theirs.id));
    useRunStore.getState().open(theirs);
    useRunStore.setState({ trouble: 'This run went on in another window; here it is as it is there.' });
    return;
  }
  useRunStore.setState({ trouble: error.message });
}
