import { styled } from '@mui/material/styles';
import { memo, type PointerEvent } from 'react';
import { FINGERS } from '../shared/useScreen';
import { useUnit } from '../shared/units';
import { colour } from '../theme/tokens';
import { VIEW, type DrawnLayer, type PlacedLabel } from './geometry';
import { describeLayer, thicknessWords } from './words';

const ONE_LINE = { whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' } as const;

const Label = styled('div')({
  position: 'absolute',
  left: VIEW.labels,
  width: VIEW.width - VIEW.labels,
  transform: 'translateY(-50%)',
  padding: '1px 6px',
  borderLeft: '2px solid transparent',
  cursor: 'grab',
  userSelect: 'none',
  lineHeight: 1.22,
  color: colour.ink,
  '&[aria-selected="true"]': {
    borderLeftColor: colour.accent,
    background: colour.accentWash,
    touchAction: 'none', // a finger takes hold of what is selected, and moves the page over the rest
  },
  '&[data-flagged="true"] > :first-of-type': { color: colour.stop },
});
const Name = styled('div')({
  fontSize: 'calc(13px * var(--larger, 1))',
  fontWeight: 700,
  ...ONE_LINE,
  '& span': { fontWeight: 400, color: colour.quiet },
});
const State = styled('div')({
  fontSize: 'calc(11.5px * var(--larger, 1))',
  ...ONE_LINE,
  '& span': { color: colour.quiet },
});

const Handle = styled('span')({ display: 'none', [FINGERS]: { display: 'inline', paddingRight: 6 } });

interface Props {
  drawn: DrawnLayer;
  place: PlacedLabel;
  selected: boolean;
  flagged: boolean;
  /** Drawn so small that only name and thickness are told. */
  brief: boolean;
  onSelect: (id: string) => void;
  onGrab: (id: string, event: PointerEvent) => void;
}

/** A layer's name, thickness and state beside the stack; also the layer's handle for pointer and screen reader. */
export const LayerLabel = memo(function LayerLabel({
  drawn,
  place,
  selected,
  flagged,
  brief,
  onSelect,
  onGrab,
}: Props) {
  const unit = useUnit((choice) => choice.unit);
  const { layer, item } = drawn;
  const state = describeLayer(layer, item);
  const words = thicknessWords(layer, item, unit);
  return (
    <Label
      role="option"
      id={`layer-${layer.id}`}
      aria-selected={selected}
      aria-label={`${item.name}, ${words}${state ? `, ${state}` : ''}`}
      data-flagged={flagged}
      onClick={() => onSelect(layer.id)}
      onPointerDown={(event) => (selected || event.pointerType !== 'touch') && onGrab(layer.id, event)}
      style={{ top: place.y }}
    >
      <Name>
        {selected && <Handle aria-hidden="true">⠿</Handle>}
        {item.name}
        {place.short && <span>{`  ${plainly(words)}`}</span>}
      </Name>
      {!place.short && (
        <State title={state}>
          {brief ? plainly(words) : words}
          {!brief && (
            <>
              <br />
              <span>{state}</span>
            </>
          )}
        </State>
      )}
    </Label>
  );
});

/** A thickness without its uncertainty. */
function plainly(words: string): string {
  return words.replace(/ ± \S+/, '');
}
