import { useQueryClient } from '@tanstack/react-query';
import { type PointerEvent as ReactPointerEvent, type RefObject } from 'react';
import { lyingQuery } from '../../api/queries';
import { applyEdits, wrapped } from '../../sandwich/edits';
import { laid, placingIn, snapped, type Placing, type Work } from '../../sandwich/placing';
import { useEditor } from '../../sandwich/store';
import { usePointerDrag } from '../../shared/usePointerDrag';
import type { BedScale } from './bedScale';

interface Drag {
  turning: boolean;
  from: Placing;
  start: [number, number];
  to: Placing;
}

interface Setting {
  drawing: RefObject<SVGSVGElement | null>;
  bed: BedScale;
  work: Work | undefined;
  snap: boolean;
}

/** Dragging and turning the work on the bed; everything follows through the editor's preview. Alt lets go of the steps. */
export function useBedDrag(setting: Setting) {
  const client = useQueryClient();
  const begin = usePointerDrag<Drag>({
    move: (event, held) => {
      const before = useEditor.getState().sandwich;
      const { work } = setting;
      if (!before || !work) return;
      held.to = placeAt(held, pointOn(setting, event), setting.snap && !event.altKey);
      const preview = applyEdits(
        before,
        laid(before, work, () => held.to),
      );
      void client.query(lyingQuery(preview)).catch(() => undefined); // asked for before the page is drawn anew
      useEditor.getState().setPreview(preview);
    },
    end: (keep, done) => {
      const { setPreview, edit } = useEditor.getState();
      const { work } = setting;
      setPreview(undefined);
      if (keep && work) edit((now) => laid(now, work, () => done.to));
    },
  });
  return (event: ReactPointerEvent, turning: boolean) => {
    const { sandwich } = useEditor.getState();
    const now = setting.work && sandwich && placingIn(sandwich, setting.work.lead);
    if (event.button !== 0 || !now) return;
    event.preventDefault();
    begin(event, { turning, from: now, to: now, start: pointOn(setting, event) });
  };
}

function pointOn({ drawing, bed }: Setting, event: { clientX: number; clientY: number }): [number, number] {
  const box = drawing.current?.getBoundingClientRect();
  if (!box) return [0, 0];
  const ratio = bed.width / box.width;
  return bed.back((event.clientX - box.left) * ratio, (event.clientY - box.top) * ratio);
}

function placeAt(drag: Drag, [x, y]: [number, number], snap: boolean): Placing {
  const { from, start } = drag;
  if (drag.turning) {
    const angle = (to: [number, number]) => (Math.atan2(to[1] - from.y, to[0] - from.x) * 180) / Math.PI;
    const turn = from.turn + angle([x, y]) - angle(start);
    return { ...from, turn: wrapped(snap ? snapped(turn, 5) : snapped(turn, 0.5)) };
  }
  const step = snap ? 1 : 0.1;
  return {
    ...from,
    x: snapped(from.x + x - start[0], step),
    y: snapped(from.y + y - start[1], step),
  };
}
