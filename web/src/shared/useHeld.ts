import { useEffect, useRef } from 'react';

interface Held {
  /** The pointer went somewhere, pressed or not. */
  move: (event: PointerEvent) => void;
  /** The pointer was let go (`keep`), or the drag was given up. */
  end: (keep: boolean, event?: PointerEvent) => void;
}

/** Follows the pointer anywhere on the page, for what is being dragged; Escape gives it up. */
export function useHeld(held: Held): void {
  const latest = useRef(held);
  useEffect(() => {
    latest.current = held;
  });
  useEffect(() => {
    const move = (event: PointerEvent) => latest.current.move(event);
    const up = (event: PointerEvent) => latest.current.end(true, event);
    const cancel = () => latest.current.end(false);
    const key = (event: KeyboardEvent) => event.key === 'Escape' && latest.current.end(false);
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', cancel);
    window.addEventListener('keydown', key);
    return () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', cancel);
      window.removeEventListener('keydown', key);
    };
  }, []);
}
