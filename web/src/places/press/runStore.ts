import { create } from 'zustand';
import type { RunBody, RunRecord, RunWrite } from '../../api/gen/types.gen';
import { changeRun } from '../../api/gen/sdk.gen';
import { Keeper } from '../../api/keeper';
import { t } from '../../words/words';

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

const AWAY = t("Kept on this page. It's sent as soon as Lofty Press answers.");
const ELSEWHERE = t("This run went on in another window. Here's where it is.");

const writeOf = ({ sandwich_id, state, body }: RunRecord): RunWrite => ({ sandwich_id, state, body });

const keeper = new Keeper<RunWrite, RunRecord>({
  name: 'run',
  pause: 0,
  send: (id, write, version) => changeRun({ path: { run_id: id }, body: { ...write, version } }),
  tell: ({ version, saveState, saveMessage, theirs }) => {
    if (theirs) {
      // at the press there is one way on: the one that somebody went already
      keeper.takeTheirs(writeOf(theirs));
      useRunStore.setState({ write: writeOf(theirs), photo: theirs.photo, trouble: ELSEWHERE });
      return;
    }
    const trouble = saveState === 'offline' ? AWAY : saveMessage || undefined;
    useRunStore.setState({ version, saved: saveState === 'saved', trouble });
  },
});

/** The run at the press: every step is kept in this browser at once and by the service as soon as it answers. */
export const useRunStore = create<Store>()((set, get) => ({
  id: undefined,
  version: 0,
  write: undefined,
  photo: false,
  trouble: undefined,
  saved: true,
  open: (record) => {
    set({ id: record.id, photo: record.photo, write: keeper.open(record, writeOf(record)) });
  },
  change: (part, state) => {
    const { write } = get();
    if (!write) return;
    const next = { ...write, state: state ?? write.state, body: { ...write.body, ...part } };
    set({ write: next });
    keeper.change(next);
  },
}));
