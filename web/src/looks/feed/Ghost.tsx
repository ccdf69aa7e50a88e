import type { Shape as BedShape } from '../../api/gen/types.gen';
import type { Placing } from '../../sandwich/placing';
import { colour } from '../../theme/tokens';
import { ringsPath, type BedScale } from './bedScale';
import { t } from '../../words/words';

/** Where the work would better lie, as a dashed outline of its tools. */
export function Ghost({
  work,
  bed,
  from,
  to,
}: {
  work: BedShape[];
  bed: BedScale;
  from: Placing;
  to: Placing;
}) {
  const tools = work.filter((shape) => shape.role === 'tool');
  const move = `translate(${bed.x(to.x)} ${bed.y(to.y)}) rotate(${from.turn - to.turn}) translate(${-bed.x(from.x)} ${-bed.y(from.y)})`;
  return (
    <g data-testid="ghost" role="img" transform={move} aria-label={t('Recommended spot')}>
      {tools.map((shape) => (
        <path
          key={shape.layer}
          d={ringsPath(shape.rings_mm.slice(0, 1), bed)}
          fill="none"
          stroke={colour.accent}
          strokeWidth={1.3}
          strokeDasharray="6 4"
        />
      ))}
    </g>
  );
}
