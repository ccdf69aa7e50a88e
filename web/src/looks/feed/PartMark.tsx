import type { WorkPart } from '../../api/gen/types.gen';
import { markOf } from '../../sandwich/parts';
import type { BedScale } from './bedScale';
import { t } from '../../words/words';

const SAID: Record<WorkPart['lack'], string> = {
  bare: t('has no sheet on it'),
  untouched: t("doesn't get pressed"),
  faint: t('comes out faint'),
  crushed: t('gets pressed too hard'),
};

/** A rectangle around the part of the work that the verdict does not hold for. */
export function PartMark({ part, bed }: { part: WorkPart; bed: BedScale }) {
  const [from, to, low, high] = part.around_mm;
  return (
    <rect
      data-testid="work-part"
      x={bed.x(from)}
      y={bed.y(high)}
      width={bed.x(to) - bed.x(from)}
      height={bed.y(low) - bed.y(high)}
      fillOpacity={0.08}
      {...markOf(part)}
    >
      <title>
        {t('{share} % of the work, in here, {lack}', {
          share: Math.round(100 * part.share),
          lack: SAID[part.lack],
        })}
      </title>
    </rect>
  );
}
