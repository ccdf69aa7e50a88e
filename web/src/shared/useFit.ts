import { useEffect, useState, type RefObject } from 'react';

/** By how much a drawing of a fixed width is drawn smaller so that it fits the place it has. [1] */
export function useFit(place: RefObject<HTMLElement | null>, width: number): number {
  const [fit, setFit] = useState(1);
  useEffect(() => {
    const element = place.current;
    if (!element) return undefined;
    const measure = () => setFit(Math.min(1, Math.max(element.clientWidth, 1) / width));
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    measure();
    return () => watch.disconnect();
  }, [place, width]);
  return fit;
}
