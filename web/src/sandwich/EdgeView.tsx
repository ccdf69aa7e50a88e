import Box from '@mui/material/Box';
import { memo, useMemo, useRef, type CSSProperties, type PointerEvent, type RefObject } from 'react';
import type { Assessment, Sandwich } from '../api/gen/types.gen';
import { Dimensions } from './Dimensions';
import { drawStack, placeLabels, VIEW } from './geometry';
import { HatchPatterns } from './Hatching';
import { useFit } from '../shared/useFit';
import { colour } from '../theme/tokens';
import { LayerLabel } from './LayerLabel';
import { partsToMark } from './parts';
import { LayerBody, LayerMarks } from './LayerShape';
import { RollerEdges, Rollers } from './Rollers';
import { ScaleBar } from './ScaleBar';
import { WorkMarks } from './WorkMarks';
import { t } from '../words/words';

const LARGEST = 1.4; // times that words are larger in a smaller drawing, so that they can be read
const BRIEF = 0.85; // of its size, under which a drawing tells less

interface Props {
  sandwich: Sandwich;
  assessment: Assessment | undefined;
  /** Of the press as it stands under this pile. [mm] */
  opening: number;
  selected: string | undefined;
  dragging: boolean;
  trueScale: boolean;
  view: RefObject<HTMLDivElement | null>;
  onSelect: (id: string) => void;
  onGrab: (id: string, event: PointerEvent) => void;
}

/** The sandwich seen edge-on between its rollers; drawn anew only when something in it changes. */
export const EdgeView = memo(function EdgeView({
  sandwich,
  assessment,
  opening,
  selected,
  dragging,
  trueScale,
  view,
  onSelect,
  onGrab,
}: Props) {
  const drawing = useMemo(() => drawStack(sandwich, opening, trueScale), [sandwich, opening, trueScale]);
  const labels = useMemo(() => placeLabels(drawing), [drawing]);
  const flagged = useMemo(
    () => new Set(assessment?.findings.filter((f) => f.severity === 'stop').map((f) => f.layer)),
    [assessment],
  );
  const place = useRef<HTMLDivElement>(null);
  const fit = useFit(place, VIEW.width);
  return (
    <Box ref={place} sx={{ width: '100%' }}>
      <Box
        ref={view}
        sx={{ position: 'relative', width: VIEW.width, height: VIEW.height, margin: '0 auto' }}
        style={fit < 1 ? ({ zoom: fit, '--larger': Math.min(1 / fit, LARGEST) } as CSSProperties) : undefined}
        data-testid="edge-view"
      >
        <svg width={VIEW.width} height={VIEW.height} aria-hidden="true">
          <HatchPatterns />
          <Rollers drawing={drawing} radius={sandwich.press.roller_radius_mm} trueScale={trueScale} />
          {drawing.layers.map((drawn) => (
            <g
              key={drawn.layer.id}
              onClick={() => onSelect(drawn.layer.id)}
              onPointerDown={(event) => event.pointerType !== 'touch' && onGrab(drawn.layer.id, event)}
              cursor="grab"
              data-layer={drawn.layer.id}
            >
              <LayerBody
                drawn={drawn}
                selected={drawn.layer.id === selected}
                flagged={flagged.has(drawn.layer.id)}
                lifted={dragging && drawn.layer.id === selected}
              />
            </g>
          ))}
          {drawing.layers.map((drawn) => (
            <LayerMarks key={drawn.layer.id} drawn={drawn} />
          ))}
          <WorkMarks drawing={drawing} parts={partsToMark(assessment)} />
          <RollerEdges drawing={drawing} trueScale={trueScale} />
          <Dimensions
            drawing={drawing}
            opening={opening}
            interference={sandwich.layers.length > 0 ? assessment?.nip.interference_mm : undefined}
          />
          {labels.map((label) => {
            const drawn = drawing.layers.find((candidate) => candidate.layer.id === label.id);
            const from = drawn ? drawn.x + drawn.width : VIEW.left + VIEW.stack;
            return (
              <path
                key={label.id}
                d={`M${from + 2} ${label.anchor}L${VIEW.labels - 14} ${label.y}H${VIEW.labels - 3}`}
                stroke={colour.quiet}
                strokeWidth={0.7}
                fill="none"
              />
            );
          })}
          <ScaleBar scale={drawing.scale} trueScale={trueScale} />
        </svg>
        <Box
          role="listbox"
          aria-label={t('Layers, top first')}
          aria-activedescendant={selected ? `layer-${selected}` : undefined}
          tabIndex={0}
          sx={{ position: 'absolute', inset: 0, pointerEvents: 'none', '& > *': { pointerEvents: 'auto' } }}
        >
          {labels.map((place) => {
            const drawn = drawing.layers.find((candidate) => candidate.layer.id === place.id);
            return (
              drawn && (
                <LayerLabel
                  key={place.id}
                  drawn={drawn}
                  place={place}
                  selected={place.id === selected}
                  flagged={flagged.has(place.id)}
                  brief={fit < BRIEF}
                  onSelect={onSelect}
                  onGrab={onGrab}
                />
              )
            );
          })}
        </Box>
        {sandwich.layers.length === 0 && (
          <Box
            sx={{
              position: 'absolute',
              left: VIEW.left,
              width: VIEW.stack,
              top: VIEW.height / 2 - 40,
              textAlign: 'center',
              color: colour.quiet,
            }}
          >
            {t('Nothing between the rollers yet. Press')} <b>a</b> {t('and start with a bed.')}
          </Box>
        )}
      </Box>
    </Box>
  );
});
