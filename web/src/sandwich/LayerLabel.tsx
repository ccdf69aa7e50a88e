import { styled } from '@mui/material/styles';
import { memo, type PointerEvent } from 'react';
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
  touchAction: 'none',
  userSelect: 'none',
  lineHeight: 1.22,
  color: colour.ink,
  '&[aria-selected="true"]': { borderLeftColor: colour.accent, background: colour.accentWash },
  '&[data-flagged="true"] > :first-of-type': { color: colour.stop },
});
const Name = styled('div')({
  fontSize: 13,
  fontWeight: 700,
  ...ONE_LINE,
  '& span': { fontWeight: 400, color: colour.quiet },
});
const State = styled('div')({ fontSize: 11.5, ...ONE_LINE, '& span': { color: colour.quiet } });

interface Props {
  drawn: DrawnLayer;
  place: PlacedLabel;
  selected: boolean;
  flagged: boolean;
  onSelect: (id: string) => void;
  onGrab: (id: string, event: PointerEvent) => void;
}

/** A layer's name, thickness and state beside the stack; also the layer's handle for pointer and screen reader. */
export const LayerLabel = memo(function LayerLabel({
  drawn,
  place,
  selected,
  flagged,
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
      onPointerDown={(event) => onGrab(layer.id, event)}
      style={{ top: place.y }}
    >
      <Name>
        {item.name}
        {place.short && <span>{`  ${words.split(' ± ')[0]}`}</span>}
      </Name>
      {!place.short && (
        <State title={state}>
          {words}
          <br />
          <span>{state}</span>
        </State>
      )}
    </Label>
  );
});
