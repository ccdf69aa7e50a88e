import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, type PointerEvent as ReactPointerEvent, type RefObject } from 'react';
import { lyingQuery } from '../../api/queries';
import { layOut, placingIn, snapped, wrapped, type Placing, type Work } from '../../sandwich/placing';
import { useEditor } from '../../sandwich/store';
import type { BedScale } from './bedScale';

interface Drag {
  pointer: number;
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
  const drag = useRef<Drag | undefined>(undefined);
  const latest = useRef(setting);
  useEffect(() => {
    latest.current = setting;
  });

  useEffect(() => {
    const finish = (keep: boolean) => {
      const done = drag.current;
      drag.current = undefined;
      if (!done) return;
      const { setPreview, edit } = useEditor.getState();
      setPreview(undefined);
      const { work } = latest.current;
      if (keep && work) edit((now) => layOut(now, work.moving, done.from, done.to));
    };
    const move = (event: PointerEvent) => {
      const held = drag.current;
      const before = useEditor.getState().sandwich;
      const { work } = latest.current;
      if (!held || event.pointerId !== held.pointer || !before || !work) return;
      held.to = placeAt(held, pointOn(latest.current, event), latest.current.snap && !event.altKey);
      const preview = layOut(before, work.moving, held.from, held.to);
      void client.prefetchQuery(lyingQuery(preview)); // asked for before the page is drawn anew
      useEditor.getState().setPreview(preview);
    };
    const up = (event: PointerEvent) => event.pointerId === drag.current?.pointer && finish(true);
    const cancel = () => finish(false);
    const key = (event: KeyboardEvent) => event.key === 'Escape' && drag.current && finish(false);
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
  }, [client]);

  return (event: ReactPointerEvent, turning: boolean) => {
    const { sandwich } = useEditor.getState();
    const now = setting.work && sandwich && placingIn(sandwich, setting.work.lead);
    if (event.button !== 0 || !now) return;
    event.preventDefault();
    drag.current = {
      pointer: event.pointerId,
      turning,
      from: now,
      to: now,
      start: pointOn(setting, event),
    };
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
