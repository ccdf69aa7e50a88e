import { useCallback, useEffect, useRef, type PointerEvent as ReactPointerEvent } from 'react';

interface Drag<T> {
  /** The pointer went on; `begun` is what the drag began with. */
  move: (event: PointerEvent, begun: T) => void;
  /** It was let go (`keep`), or given up: by Escape, or by the browser. */
  end?: (keep: boolean, begun: T) => void;
}

interface Held<T> {
  pointer: number;
  begun: T;
}

/** Follows one pointer from where it was pressed to wherever on the page it is let go; Escape gives it up. Returns what begins a drag. */
export function usePointerDrag<T>(drag: Drag<T>): (event: ReactPointerEvent, begun: T) => void {
  const latest = useRef(drag);
  useEffect(() => {
    latest.current = drag;
  });
  const held = useRef<Held<T>>(undefined);
  useEffect(() => {
    const end = (keep: boolean) => {
      const done = held.current;
      held.current = undefined;
      if (done) latest.current.end?.(keep, done.begun);
    };
    const mine = (event: PointerEvent) => held.current?.pointer === event.pointerId;
    const move = (event: PointerEvent) => {
      if (held.current && mine(event)) latest.current.move(event, held.current.begun);
    };
    const up = (event: PointerEvent) => {
      if (mine(event)) end(true);
    };
    const cancel = (event: PointerEvent) => {
      if (mine(event)) end(false);
    };
    const key = (event: KeyboardEvent) => {
      if (event.key === 'Escape') end(false);
    };
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
  return useCallback((event, begun) => {
    if (event.button === 0) held.current = { pointer: event.pointerId, begun };
  }, []);
}
