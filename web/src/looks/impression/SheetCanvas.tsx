import { useEffect, useLayoutEffect, useRef, type KeyboardEvent, useState } from 'react';
import { SheetRenderer, type Scene } from './renderer';
import type { Spot, ToSpot } from './Grip';
import type { Surface } from './surface';
import { usePointerDrag } from '../../shared/usePointerDrag';

const QUICK = 0.5; // of the resolution
const SETTLED = 180; // ms after the last change
const SLOW = 26; // ms between two pictures

interface Pace {
  last: number;
  slow: boolean;
}

interface Props {
  first: Surface;
  second: Surface | undefined;
  scene: Scene;
  width: number;
  height: number;
  label: string;
  grab: boolean;
  toSpot: ToSpot;
  onPan: (step: Spot) => void;
  onKey: (event: KeyboardEvent) => void;
  onToggle: () => void;
}

/** The picture itself: redrawn on the graphics card whenever the scene changes, at most once a frame. */
export function SheetCanvas({
  first,
  second,
  scene,
  width,
  height,
  label,
  grab,
  toSpot,
  onPan,
  onKey,
  onToggle,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const renderer = useRef<SheetRenderer>(undefined);
  const begin = usePointerDrag<{ sheet: Element; from: Spot }>({
    move: ({ clientX, clientY }, held) => {
      const here = toSpot({ clientX, clientY, currentTarget: held.sheet });
      onPan({ right: held.from.right - here.right, down: held.from.down - here.down });
    },
  });
  const [life, setLife] = useState(0); // of the graphics card's memory, which the system may take away and give back
  useLayoutEffect(() => {
    const target = canvas.current;
    if (!target) return undefined;
    const lost = (event: Event) => {
      event.preventDefault(); // else it is never given back
      renderer.current = undefined;
    };
    const restored = () => setLife((before) => before + 1);
    target.addEventListener('webglcontextlost', lost);
    target.addEventListener('webglcontextrestored', restored);
    renderer.current = new SheetRenderer(target);
    return () => {
      target.removeEventListener('webglcontextlost', lost);
      target.removeEventListener('webglcontextrestored', restored);
      renderer.current?.close();
      renderer.current = undefined;
    };
  }, [life]);
  useLayoutEffect(() => renderer.current?.upload(0, first), [first, life]);
  useLayoutEffect(() => renderer.current?.upload(1, second), [second, life]);
  const pace = useRef<Pace>({ last: 0, slow: false });
  useEffect(() => {
    let later = 0;
    const draw = (quick: boolean) => {
      const target = canvas.current;
      if (!target) return;
      const ratio = Math.min(window.devicePixelRatio, 2) * (quick ? QUICK : 1);
      const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
      if (target.width !== w || target.height !== h) Object.assign(target, { width: w, height: h });
      renderer.current?.draw(scene);
      target.dataset.frames = String(Number(target.dataset.frames ?? 0) + 1);
    };
    const frame = requestAnimationFrame((now) => {
      const gap = now - pace.current.last;
      const moving = gap < SETTLED;
      // on a machine without a graphics card the picture is coarser while something moves, and sharp as soon as it rests
      pace.current = { last: now, slow: moving ? pace.current.slow || gap > SLOW : pace.current.slow };
      const quick = moving && pace.current.slow;
      draw(quick);
      if (quick) later = window.setTimeout(() => draw(false), SETTLED);
    });
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(later);
    };
  }, [first, second, scene, width, height, life]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      tabIndex={0}
      data-testid="pressed-sheet"
      style={{ width, height, display: 'block', touchAction: 'none', cursor: grab ? 'grab' : 'default' }}
      onKeyDown={onKey}
      onDoubleClick={onToggle}
      onPointerDown={(event) => begin(event, { sheet: event.currentTarget, from: toSpot(event) })}
    />
  );
}
