import type { WorkPart } from '../api/gen/types.gen';
import type { Drawing } from './geometry';
import { markOf } from './parts';

const REACH = 4; // px above and below the sheet

/** Where along the feed the work is not as the verdict says, marked at the sheet. */
export function WorkMarks({ drawing, parts }: { drawing: Drawing; parts: WorkPart[] }) {
  const sheet = drawing.layers.find(
    (drawn) => drawn.item.kind === 'sheet' && [null, 'sheet'].includes(drawn.layer.role ?? null),
  );
  if (!sheet) return null;
  return parts.map((part) => {
    const [from, to] = part.around_mm;
    return (
      <rect
        key={part.lack}
        data-testid="work-mark"
        x={drawing.middle + from * drawing.along}
        y={sheet.y - REACH}
        width={Math.max((to - from) * drawing.along, 2)}
        height={sheet.height + 2 * REACH}
        fillOpacity={0.18}
        {...markOf(part)}
      />
    );
  });
}
