import Box from '@mui/material/Box';
import type { Sandwich } from '../api/gen/types.gen';
import { t } from '../words/words';
import { drawStack, VIEW } from './geometry';
import { HatchPatterns } from './Hatching';
import { LayerBody, LayerMarks } from './LayerShape';
import { RollerEdges, Rollers } from './Rollers';

const LEFT = VIEW.left - 34;
const WIDTH = VIEW.stack + 68;
const TOP = 24;

/** A pile between its rollers, to be looked at only: the Bench's own drawing without names. */
export function PileDrawing({ sandwich }: { sandwich: Sandwich }) {
  const drawing = drawStack(sandwich, sandwich.press.opening.mm, false);
  return (
    <Box
      component="svg"
      viewBox={`${LEFT} ${TOP} ${WIDTH} ${VIEW.height - 2 * TOP}`}
      role="img"
      aria-label={t('{name} between the rollers', { name: sandwich.name })}
      sx={{ width: '100%', maxHeight: 460 }}
    >
      <HatchPatterns />
      <Rollers drawing={drawing} radius={sandwich.press.roller_radius_mm} trueScale={false} />
      {drawing.layers.map((drawn) => (
        <LayerBody key={drawn.layer.id} drawn={drawn} selected={false} flagged={false} lifted={false} />
      ))}
      {drawing.layers.map((drawn) => (
        <LayerMarks key={drawn.layer.id} drawn={drawn} />
      ))}
      <RollerEdges drawing={drawing} trueScale={false} />
    </Box>
  );
}
