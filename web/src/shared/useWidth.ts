import { useCallback, useState } from 'react';

/** Width of an element as it is laid out, at most so much: a ref to give to it, and the width. An element that is hidden keeps the last one. [px] */
export function useWidth(most: number): [(element: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(most);
  const watch = useCallback(
    (element: HTMLElement | null) => {
      if (!element) return undefined;
      const observer = new ResizeObserver(([entry]) => {
        if (entry && entry.contentRect.width >= 1)
          setWidth(Math.min(Math.floor(entry.contentRect.width), most));
      });
      observer.observe(element);
      return () => observer.disconnect();
    },
    [most],
  );
  return [watch, width];
}
