import { create } from 'zustand';
import type { JobFile, JobRecord } from '../../api/gen/types.gen';
import { changeJob } from '../../api/gen/sdk.gen';
import { Keeper } from '../../api/keeper';
import { t } from '../../words/words';

interface Store {
  id: string | undefined;
  version: number;
  job: JobFile | undefined;
  past: JobFile[];
  future: JobFile[];
  saved: boolean;
  /** Why it is not saved, if it is not. */
  trouble: string | undefined;
  open: (record: JobRecord) => void;
  change: (job: JobFile) => void;
  undo: () => void;
  redo: () => void;
  /** Goes on from what the service made of the job; there is no way back behind it. */
  taken: (record: JobRecord) => void;
}

const AWAY = t("Kept on this page. It's sent as soon as Lofty Press answers.");
const ELSEWHERE = t("This plan changed in another window. Here's the newer one. Undo brings yours back.");

const keeper = new Keeper<JobFile, JobRecord>({
  name: 'job',
  pause: 400,
  send: (id, job, version) => changeJob({ path: { job_id: id }, body: { job, version } }),
  tell: ({ version, saveState, saveMessage, theirs }) => {
    if (theirs) {
      const { job, past } = usePlan.getState();
      keeper.takeTheirs(theirs.job);
      usePlan.setState({ job: theirs.job, past: job ? [...past, job] : past, trouble: ELSEWHERE });
      return;
    }
    const trouble = saveState === 'offline' ? AWAY : saveMessage || undefined;
    usePlan.setState({ version, saved: saveState === 'saved', trouble });
  },
});

/** Saves what is not saved yet. */
export const saveJobNow = (): Promise<boolean> => keeper.now();

/** The job that is planned, with undo; each state is kept in this browser at once and by the service as soon as it answers. */
export const usePlan = create<Store>()((set, get) => {
  const show = (job: JobFile, past: JobFile[], future: JobFile[]) => {
    set({ job, past, future });
    keeper.change(job);
  };
  return {
    id: undefined,
    version: 0,
    job: undefined,
    past: [],
    future: [],
    saved: true,
    trouble: undefined,
    open: (record) => {
      const same = get().id === record.id;
      if (same && record.version <= get().version) return; // what is open is newer than an answer from before
      const job = keeper.open(record, record.job);
      set({ id: record.id, job, ...(same ? {} : { past: [], future: [] }) });
    },
    change: (job) => {
      const { job: before, past } = get();
      if (before && before !== job) show(job, [...past, before], []);
    },
    undo: () => {
      const { job, past, future } = get();
      const before = past.at(-1);
      if (job && before) show(before, past.slice(0, -1), [job, ...future]);
    },
    taken: (record) => set({ job: keeper.open(record, record.job), past: [], future: [] }),
    redo: () => {
      const { job, past, future } = get();
      const [after, ...rest] = future;
      if (job && after) show(after, [...past, job], rest);
    },
  };
});
