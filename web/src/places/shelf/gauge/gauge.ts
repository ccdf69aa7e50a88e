import { create } from 'zustand';
import { hear, useMeasured } from '../../../shared/measured';
import { chooseGauge, getGauge, zeroGauge } from '../../../api/gen/sdk.gen';
import type { Gauge } from '../../../api/gen/types.gen';

const BETWEEN = 400; // ms between two looks at what was sent
const AWAY = 4000; // ms, while the service or the gauge is not there

interface Hearing {
  /** How the gauge stands; undefined before the first answer. */
  found: Gauge | undefined;
  /** Its last line when the field that has the focus got it: what came after is of the thing in hand. */
  since: number;
}

/** The thickness gauge, as the page hears it. */
export const useGauge = create<Hearing>()(() => ({ found: undefined, since: 0 }));

// what was sent before belongs to the thing before
useMeasured.subscribe((now, before) => {
  if (now.things === before.things) return;
  useGauge.setState(({ found, since }) => ({
    since: found?.last ?? since,
    found: found && { ...found, together: null, newest_mm: null, unread: null },
  }));
});

/** Listens to what is plugged in there; an empty address listens to nothing. */
export async function listenTo(address: string): Promise<void> {
  const found = await chooseGauge({ body: { address } });
  useGauge.setState({ found, since: found.last });
}

/** Takes what it shows now for nothing between its jaws. */
export async function takeAsZero(shown: number): Promise<void> {
  const zero = (useGauge.getState().found?.zero_mm ?? 0) + shown;
  const found = await zeroGauge({ body: { zero_mm: zero } });
  useGauge.setState({ found, since: found.last });
}

/** Asks for what the gauge sent, as long as there is one and somebody looks; gives back how to end that. */
export function follow(): () => void {
  let ended = false;
  let timer = 0;
  const look = async () => {
    const { found, since } = useGauge.getState();
    let next = BETWEEN;
    try {
      if (!document.hidden) {
        const now = await getGauge({ query: found ? { after: since } : {} });
        if (useGauge.getState().since === since) {
          useGauge.setState({ found: now, since: found ? since : now.last });
          hear(now.together);
        }
        if (now.address === '') return;
        if (now.state !== 'listening') next = AWAY / 4;
      }
    } catch {
      next = AWAY; // the page says elsewhere that the service is away
    }
    if (!ended) timer = window.setTimeout(() => void look(), next);
  };
  void look();
  return () => {
    ended = true;
    window.clearTimeout(timer);
  };
}
