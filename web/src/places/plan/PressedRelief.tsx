import { addresses } from '../../api/service';
import { usePressed } from './pressed';
import type { Placed } from './placed';

interface Props {
  pile: string;
  /** Colour of the stock that the piece is cut from. */
  tint: string | undefined;
  at: Placed;
}

/** The relief of a piece as its Impression has it, in the piece's own stock, cut to its edges. */
export function PressedRelief({ pile, tint, at: { x, y, wide, high } }: Props) {
  const { pressed } = usePressed(pile);
  const panel = pressed?.result?.panel;
  if (!pressed?.stage || !panel) return null;
  const along = panel.cells[0] * panel.spacing_mm;
  const across = panel.cells[1] * panel.spacing_mm;
  const turned = wide > high !== across > along;
  return (
    <svg
      x={x}
      y={y}
      width={wide}
      height={high}
      viewBox={`${-wide / 2} ${-high / 2} ${wide} ${high}`}
      pointerEvents="none"
      data-relief={pile}
    >
      <image
        href={addresses.front(pressed.key, pressed.stage, tint)}
        x={-across / 2}
        y={-along / 2}
        width={across}
        height={along}
        transform={turned ? 'rotate(90)' : undefined}
      />
    </svg>
  );
}
