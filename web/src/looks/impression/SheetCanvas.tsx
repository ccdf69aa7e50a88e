import { useEffect, useLayoutEffect, useRef, type KeyboardEvent } from 'react';
import { SheetRenderer, type Scene } from './renderer';
import type { Spot, ToSpot } from './Grip';
import type { Surface } from './surface';

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
  const last = useRef<Spot>(undefined);
  useLayoutEffect(() => {
    if (canvas.current) renderer.current = new SheetRenderer(canvas.current);
    return () => {
      renderer.current = undefined;
    };
  }, []);
  useLayoutEffect(() => renderer.current?.upload(0, first), [first]);
  useLayoutEffect(() => renderer.current?.upload(1, second), [second]);
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      renderer.current?.draw(scene);
      if (canvas.current)
        canvas.current.dataset.frames = String(Number(canvas.current.dataset.frames ?? 0) + 1);
    });
    return () => cancelAnimationFrame(frame);
  }, [first, second, scene]);
  const ratio = Math.min(window.devicePixelRatio, 2);
  return (
    <canvas
      ref={canvas}
      width={width * ratio}
      height={height * ratio}
      role="img"
      aria-label={label}
      tabIndex={0}
      data-testid="pressed-sheet"
      style={{ width, height, display: 'block', touchAction: 'none', cursor: grab ? 'grab' : 'default' }}
      onKeyDown={onKey}
      onDoubleClick={onToggle}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        last.current = toSpot(event);
      }}
      onPointerMove={(event) => {
        if (!last.current) return;
        const here = toSpot(event);
        onPan({ right: last.current.right - here.right, down: last.current.down - here.down });
      }}
      onPointerUp={() => (last.current = undefined)}
      onPointerCancel={() => (last.current = undefined)}
    />
  );
}
