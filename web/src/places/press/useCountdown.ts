import { useEffect, useRef, useState } from 'react';
import { chime } from './chime';

/** Seconds left until a moment (ms since 1970), and a gentle sound when it comes; undefined without one. */
export function useCountdown(ends: number | null | undefined): number | undefined {
  const [now, setNow] = useState(() => Date.now());
  const rung = useRef<number>(undefined);
  useEffect(() => {
    if (ends == null) return;
    const tick = () => {
      const moment = Date.now();
      setNow(moment);
      // one that was over long before the page came back does not ring any more
      if (moment >= ends && rung.current !== ends) {
        if (moment - ends < 2000) chime();
        rung.current = ends;
      }
    };
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [ends]);
  return ends == null ? undefined : Math.max(Math.ceil((ends - now) / 1000), 0);
}

/** A time left as on a clock. */
export function clock(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
