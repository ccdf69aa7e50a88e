import { useRef, type TouchEvent } from 'react';

const FAR = 60; // px
const STEEP = 2; // times further sideways than up or down
const HELD = 'svg, canvas, input, select, [role=slider], [role=listbox]'; // what fingers take hold of itself

/** A swipe to one side over what cannot be taken hold of: -1 for one to the right, 1 for one to the left. */
export function useSwipe(onSwipe: (step: 1 | -1) => void) {
  const from = useRef<[number, number] | undefined>(undefined);
  return {
    onTouchStart: (event: TouchEvent) => {
      const touch = event.touches[0];
      const held = event.touches.length > 1 || (event.target as Element).closest(HELD);
      from.current = held || !touch ? undefined : [touch.clientX, touch.clientY];
    },
    onTouchEnd: (event: TouchEvent) => {
      const touch = event.changedTouches[0];
      const start = from.current;
      from.current = undefined;
      if (!start || !touch) return;
      const [dx, dy] = [touch.clientX - start[0], touch.clientY - start[1]];
      if (Math.abs(dx) > FAR && Math.abs(dx) > STEEP * Math.abs(dy)) onSwipe(dx < 0 ? 1 : -1);
    },
  };
}
