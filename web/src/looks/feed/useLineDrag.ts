import type { PointerEvent as ReactPointerEvent } from 'react';
import { usePointerDrag } from '../../shared/usePointerDrag';
import type { BedScale } from './bedScale';

/** Moves the rollers' line along the feed with the pointer, on the bed and on the load below it. */
export function useLineDrag(bed: BedScale, onAt: (mm: number) => void): (event: ReactPointerEvent) => void {
  const to = (clientX: number, drawing: Element) => {
    const box = drawing.getBoundingClientRect();
    onAt(bed.back(((clientX - box.left) * bed.width) / box.width, 0)[0]);
  };
  const begin = usePointerDrag<Element>({ move: ({ clientX }, drawing) => to(clientX, drawing) });
  return (event) => {
    const { currentTarget } = event;
    const drawing = (currentTarget instanceof SVGElement && currentTarget.ownerSVGElement) || currentTarget;
    to(event.clientX, drawing);
    begin(event, drawing);
  };
}
