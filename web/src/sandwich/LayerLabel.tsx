import Box from '@mui/material/Box';
import { memo, type PointerEvent } from 'react';
import { useUnit } from '../shared/units';
import { colour } from '../theme/tokens';
import { VIEW, type DrawnLayer, type PlacedLabel } from './geometry';
import { describeLayer, thicknessWords } from './words';

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
    <Box
      role="option"
      id={`layer-${layer.id}`}
      aria-selected={selected}
      aria-label={`${item.name}, ${words}${state ? `, ${state}` : ''}`}
      onClick={() => onSelect(layer.id)}
      onPointerDown={(event) => onGrab(layer.id, event)}
      sx={{
        position: 'absolute',
        left: VIEW.labels,
        width: VIEW.width - VIEW.labels,
        top: place.y,
        transform: 'translateY(-50%)',
        padding: '1px 6px',
        borderLeft: `2px solid ${selected ? colour.accent : 'transparent'}`,
        background: selected ? colour.accentWash : 'transparent',
        cursor: 'grab',
        touchAction: 'none',
        userSelect: 'none',
        lineHeight: 1.22,
      }}
    >
      <Box
        sx={{
          fontSize: 13,
          fontWeight: 700,
          color: flagged ? colour.stop : colour.ink,
          whiteSpace: 'nowrap',
          overflow: 'hidden',
          textOverflow: 'ellipsis',
        }}
      >
        {item.name}
        {place.short && (
          <Box
            component="span"
            sx={{ fontWeight: 400, color: colour.quiet }}
          >{`  ${words.split(' ± ')[0]}`}</Box>
        )}
      </Box>
      {!place.short && (
        <Box
          sx={{
            fontSize: 11.5,
            color: colour.quiet,
            whiteSpace: 'nowrap',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
          }}
          title={state}
        >
          <Box component="span" sx={{ color: colour.ink }}>
            {words}
          </Box>
          <br />
          {state}
        </Box>
      )}
    </Box>
  );
});
