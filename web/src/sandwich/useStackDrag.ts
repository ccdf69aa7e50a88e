import { useCallback, type PointerEvent as ReactPointerEvent, type RefObject } from 'react';
import type { Item, Sandwich } from '../api/gen/types.gen';
import { drawStack, placeAt, type Drawing, VIEW } from './geometry';
import { added, dropped } from './changes';
import { applyEdits, type Change } from './edits';
import { usePointerDrag } from '../shared/usePointerDrag';
import { useEditor } from './store';

type Cargo = { kind: 'layer'; id: string } | { kind: 'item'; item: Item };

/** What a drag comes to if it ends here. */
interface Result {
  edits: Change[];
  select?: string;
}

interface Drag {
  cargo: Cargo;
  startX: number;
  startY: number;
  moved: boolean;
  /** The sandwich before the drag, and its drawing: places are read off where things were, not where they jump to. */
  before: Sandwich;
  drawing: Drawing;
  result: Result;
}

const THRESHOLD = 4; // px

/** Dragging layers in the stack and things from the shelf into it; the verdict follows through the editor's preview. */
export function useStackDrag(
  view: RefObject<HTMLElement | null>,
  opening: number,
  trueScale: boolean,
  onDropped: () => void,
) {
  const begin = usePointerDrag<Drag>({
    move: (event, now) => {
      const box = view.current?.getBoundingClientRect();
      if (!box) return;
      now.moved ||= Math.hypot(event.clientX - now.startX, event.clientY - now.startY) > THRESHOLD;
      if (!now.moved) return;
      now.result = resultAt(now, event, box);
      useEditor.getState().setPreview(applyEdits(now.before, now.result.edits));
    },
    end: (keep, done) => {
      if (!done.moved) return;
      const { setPreview, edit } = useEditor.getState();
      setPreview(undefined);
      if (keep) edit(done.result.edits, done.result.select);
      if (keep && done.cargo.kind === 'item') onDropped();
    },
  });
  return useCallback(
    (cargo: Cargo, event: ReactPointerEvent) => {
      const { sandwich, select } = useEditor.getState();
      if (event.button !== 0 || !sandwich) return;
      if (cargo.kind === 'layer') select(cargo.id);
      begin(event, {
        cargo,
        startX: event.clientX,
        startY: event.clientY,
        moved: false,
        before: sandwich,
        drawing: drawStack(sandwich, opening, trueScale),
        result: { edits: [] },
      });
    },
    [begin, opening, trueScale],
  );
}

function resultAt(drag: Drag, event: PointerEvent, box: DOMRect): Result {
  const { cargo, before, drawing } = drag;
  const inside =
    event.clientX > box.left &&
    event.clientX < box.right &&
    event.clientY > box.top &&
    event.clientY < box.bottom;
  if (!inside) return { edits: [] };
  const place = placeAt(drawing, (event.clientY - box.top) * (VIEW.height / box.height)); // it may be drawn smaller
  if (cargo.kind === 'item') {
    const { edits, id } = added(before, cargo.item, place);
    return { edits, select: id };
  }
  return { edits: dropped(before, cargo.id, place), select: cargo.id };
}
