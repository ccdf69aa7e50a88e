import { useCallback, useRef, type PointerEvent as ReactPointerEvent, type RefObject } from 'react';
import type { Item, Sandwich } from '../api/client';
import { drawStack, placeAt, type Drawing } from './geometry';
import { addItem, moveLayer } from './operations';
import { useHeld } from '../shared/useHeld';
import { useEditor } from './store';

type Cargo = { kind: 'layer'; id: string } | { kind: 'item'; item: Item };

interface Drag {
  cargo: Cargo;
  pointer: number;
  startX: number;
  startY: number;
  moved: boolean;
  /** The sandwich before the drag, and its drawing: places are read off where things were, not where they jump to. */
  before: Sandwich;
  drawing: Drawing;
  result: { sandwich: Sandwich; select?: string };
}

const THRESHOLD = 4; // px

/** Dragging layers in the stack and things from the shelf into it; the verdict follows through the editor's preview. */
export function useStackDrag(view: RefObject<HTMLElement | null>, trueScale: boolean, onDropped: () => void) {
  const drag = useRef<Drag | undefined>(undefined);

  const start = useCallback(
    (cargo: Cargo, event: ReactPointerEvent) => {
      const { sandwich, select } = useEditor.getState();
      if (event.button !== 0 || !sandwich) return;
      if (cargo.kind === 'layer') select(cargo.id);
      drag.current = {
        cargo,
        pointer: event.pointerId,
        startX: event.clientX,
        startY: event.clientY,
        moved: false,
        before: sandwich,
        drawing: drawStack(sandwich, trueScale),
        result: { sandwich },
      };
    },
    [trueScale],
  );

  useHeld({
    move: (event) => {
      const now = drag.current;
      const box = view.current?.getBoundingClientRect();
      if (!now || event.pointerId !== now.pointer || !box) return;
      now.moved ||= Math.hypot(event.clientX - now.startX, event.clientY - now.startY) > THRESHOLD;
      if (!now.moved) return;
      now.result = resultAt(now, event, box);
      useEditor.getState().setPreview(now.result.sandwich);
    },
    end: (keep, event) => {
      const done = drag.current;
      if (!done || (event && event.pointerId !== done.pointer)) return;
      drag.current = undefined;
      if (!done.moved) return;
      const { setPreview, edit } = useEditor.getState();
      setPreview(undefined);
      if (keep) edit(() => done.result.sandwich, done.result.select);
      if (keep && done.cargo.kind === 'item') onDropped();
    },
  });

  return start;
}

function resultAt(drag: Drag, event: PointerEvent, box: DOMRect): Drag['result'] {
  const { cargo, before, drawing } = drag;
  const inside =
    event.clientX > box.left &&
    event.clientX < box.right &&
    event.clientY > box.top &&
    event.clientY < box.bottom;
  if (!inside) return { sandwich: before };
  const place = placeAt(drawing, event.clientY - box.top);
  if (cargo.kind === 'item') {
    const added = addItem(before, cargo.item, place);
    return { sandwich: added.sandwich, select: added.id };
  }
  const from = before.layers.findIndex((layer) => layer.id === cargo.id);
  return { sandwich: moveLayer(before, cargo.id, place > from ? place - 1 : place), select: cargo.id };
}
