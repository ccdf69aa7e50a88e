import type { KeyboardEvent, ReactNode } from 'react';
import { usePointerDrag } from '../../shared/usePointerDrag';
import { formatSize, useUnit } from '../../shared/units';
import { t } from '../../words/words';

/** A place on what is seen: right and down, in mm. */
export interface Spot {
  right: number;
  down: number;
}

export type ToSpot = (event: { clientX: number; clientY: number; currentTarget: Element }) => Spot;

export const KEY_STEP = 3; // mm

interface Props {
  label: string;
  spot: Spot;
  /** Bounds of the value that a screen reader hears; a place in words if there are none. */
  now?: number;
  cursor?: string;
  toSpot: ToSpot;
  /** The new place, and the one before it. */
  onMove: (spot: Spot, before: Spot) => void;
  children: ReactNode;
}

/** Something on the sheet that can be dragged, or moved with the arrow keys (Shift for long steps). */
export function Grip({ label, spot, now, cursor = 'grab', toSpot, onMove, children }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const begin = usePointerDrag<{ grip: Element; last: Spot }>({
    move: ({ clientX, clientY }, held) => {
      const here = toSpot({ clientX, clientY, currentTarget: held.grip });
      onMove(here, held.last);
      held.last = here;
    },
  });
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={now ?? Math.round(spot.right)}
      aria-valuemin={now === undefined ? undefined : 0}
      aria-valuemax={now === undefined ? undefined : 100}
      aria-valuetext={
        now === undefined
          ? t('{right} across, {down} along', {
              right: formatSize(Math.round(spot.right), unit),
              down: formatSize(Math.round(spot.down), unit),
            })
          : `${now} %`
      }
      style={{ pointerEvents: 'all', cursor, touchAction: 'none' }}
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.focus();
        begin(event, { grip: event.currentTarget, last: toSpot(event) });
      }}
      onKeyDown={(event) => {
        const step = stepOf(event);
        if (step) onMove({ right: spot.right + step.right, down: spot.down + step.down }, spot);
      }}
    >
      {children}
    </g>
  );
}

/** The step that an arrow key asks for; the event is then used up. */
export function stepOf(event: KeyboardEvent): Spot | undefined {
  const step = event.shiftKey ? KEY_STEP * 4 : KEY_STEP;
  const moves: Record<string, Spot> = {
    ArrowLeft: { right: -step, down: 0 },
    ArrowRight: { right: step, down: 0 },
    ArrowUp: { right: 0, down: -step },
    ArrowDown: { right: 0, down: step },
  };
  const move = moves[event.key];
  if (move) consume(event);
  return move;
}

/** Keeps the bench from hearing a key that was meant for the sheet. */
export function consume(event: KeyboardEvent): void {
  event.preventDefault();
  event.nativeEvent.stopImmediatePropagation();
}
