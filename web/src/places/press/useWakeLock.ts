import { useEffect } from 'react';

/** Keeps the screen awake while the page is seen; where a browser cannot, nothing happens. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        const got = await navigator.wakeLock.request('screen');
        if (gone) void got.release();
        else lock = got;
      } catch {
        // a battery saver may refuse; the run goes on all the same
      }
    };
    void ask();
    const again = () => void ask();
    document.addEventListener('visibilitychange', again);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}
