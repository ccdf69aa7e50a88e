import Box from '@mui/material/Box';
import type { Sandwich } from '../api/gen/types.gen';
import { formatThickness, useUnit } from '../shared/units';
import { colour } from '../theme/tokens';
import { thicknessOf } from './geometry';
import { HatchPatterns, hatchId } from './Hatching';
import { itemOf } from './edits';
import { shortFace } from './words';
import { t } from '../words/words';

interface Props {
  sandwich: Sandwich;
  /** The layer that is talked about just now, and whether those above it are not laid yet. */
  current?: string | null;
  building?: boolean;
  large?: boolean;
}

/** The pile as a list, top first, each layer in its section hatching: for where there is no room for the edge view. */
export function PileList({ sandwich, current, building = false, large = false }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const reached = sandwich.layers.findIndex((layer) => layer.id === current);
  const size = large ? 19 : 12.5;
  return (
    <Box component="ol" aria-label={t('Pile, top first')} sx={{ listStyle: 'none', margin: 0, padding: 0 }}>
      <svg width={0} height={0} style={{ position: 'absolute' }} aria-hidden="true">
        <HatchPatterns />
      </svg>
      {[...sandwich.layers].reverse().map((layer) => {
        const item = itemOf(sandwich, layer);
        const mm = thicknessOf(layer, item);
        const index = sandwich.layers.indexOf(layer);
        const later = building && reached >= 0 && index > reached;
        const height = Math.max(Math.min(8 + 9 * Math.sqrt(mm), 34), 12) * (large ? 1.7 : 0.8);
        const fill = item.stock ? item.stock.face_colour : `url(#${hatchId(item.material)})`;
        return (
          <Box
            component="li"
            key={layer.id}
            aria-current={layer.id === current ? 'step' : undefined}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              fontSize: size,
              lineHeight: 1.15,
              minHeight: large ? 32 : 18,
              opacity: later ? 0.32 : 1,
              fontWeight: layer.id === current ? 700 : 400,
              color: layer.id === current ? colour.accent : colour.ink,
            }}
          >
            <svg width={large ? 74 : 40} height={height} style={{ flexShrink: 0 }} aria-hidden="true">
              <rect
                x={0.5}
                y={0.5}
                width={(large ? 74 : 40) - 1}
                height={height - 1}
                fill={fill}
                stroke={layer.id === current ? colour.accent : colour.ink}
                strokeWidth={layer.id === current ? 2 : 0.8}
              />
              {layer.ink && <rect x={0} y={height - 3} width={74} height={3} fill={layer.ink.colour} />}
            </svg>
            <span
              title={`${item.name}${shortFace(layer, item)}`}
              style={{
                flex: 1,
                minWidth: 0,
                overflow: 'hidden',
                textOverflow: 'ellipsis',
                whiteSpace: 'nowrap',
              }}
            >
              {layer.count > 1 ? `${layer.count} × ` : ''}
              {item.name}
              <span style={{ color: colour.quiet, fontWeight: 400 }}>{shortFace(layer, item)}</span>
            </span>
            <span style={{ color: colour.quiet, fontWeight: 400 }}>{formatThickness(mm, unit)}</span>
          </Box>
        );
      })}
    </Box>
  );
}
