import { create } from 'zustand';
import { getMotor, orderMotor } from '../../api/gen/sdk.gen';
import type { FeedPoint, FeedTrace, Motor } from '../../api/gen/types.gen';

const BETWEEN = 250; // ms between two looks while it feeds
const CALM = 1500; // ms, while it stands
const SILENT = 4000; // ms without a word while it feeds, after which it counts as lost
const MOST = 600; // points that are kept of a feed

interface Hearing {
  found: Motor | undefined;
  since: number;
  /** What came in the feed that is on, or was the last. */
  fed: FeedPoint[];
  ended: Motor['ended'];
  feeding: boolean;
  /** It feeds and says nothing any more. */
  lost: boolean;
}

const NOTHING = { fed: [], ended: null, feeding: false, lost: false };

/** The motor press, as the page hears it. */
export const useMotor = create<Hearing>()(() => ({ found: undefined, since: 0, ...NOTHING }));

let heardAt = 0;

/** Lets it feed the pile through. */
export async function feed(): Promise<void> {
  await orderMotor({ body: { order: 'FEED' } });
  heardAt = Date.now();
  useMotor.setState({ ...NOTHING, feeding: true });
}

/** Stops it; said at once, whatever else is going on. */
export const stop = (): Promise<unknown> => orderMotor({ body: { order: 'STOP' } });

/** Lets what was fed be forgotten, before the next pass. */
export const beginAnew = (): void => useMotor.setState(NOTHING);

/** A feed as it is kept with its run: thinned out if it is long. */
export function traceOf(fed: FeedPoint[], how: FeedTrace['ended']): FeedTrace {
  const every = Math.ceil(fed.length / MOST);
  const kept = fed.filter((_, n) => n % every === 0);
  return {
    position_mm: kept.map((point) => point.position_mm),
    force_n: kept.map((point) => point.force_n),
    ended: how,
  };
}

/** Asks what the motor did, as long as somebody looks; gives back how to end that. */
export function follow(limit: number): () => void {
  let ended = false;
  let timer = 0;
  const look = async () => {
    const { found, since, feeding } = useMotor.getState();
    try {
      const now = await getMotor({ query: { limit_n: limit, ...(found ? { after: since } : {}) } });
      if (now.fed.length > 0 || now.ended) heardAt = Date.now();
      useMotor.setState((state) => ({
        found: now,
        since: now.last,
        fed: state.feeding ? [...state.fed, ...now.fed] : state.fed,
        ended: state.feeding && now.ended ? now.ended : state.ended,
        feeding: state.feeding && !now.ended,
        lost: state.feeding && !now.ended && (now.state !== 'listening' || Date.now() - heardAt > SILENT),
      }));
    } catch {
      useMotor.setState((state) => ({ lost: state.feeding && Date.now() - heardAt > SILENT }));
    }
    if (useMotor.getState().found?.address === '') return;
    if (!ended) timer = window.setTimeout(() => void look(), feeding ? BETWEEN : CALM / 3);
  };
  void look();
  return () => {
    ended = true;
    window.clearTimeout(timer);
  };
}
