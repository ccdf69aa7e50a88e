import type { Assessment, WorkPart } from '../api/gen/types.gen';
import { colour } from '../theme/tokens';

/** How such a part is drawn over whatever lies there. */
export function markOf(part: WorkPart) {
  const tone = part.lack === 'faint' ? colour.warn : colour.stop;
  return {
    fill: tone,
    stroke: tone,
    strokeWidth: 1.5,
    strokeDasharray: '2 4',
    pointerEvents: 'none',
  } as const;
}

const OWN: Partial<Record<string, WorkPart['lack']>> = { faint: 'faint', hard: 'crushed' };

/** Parts of the work that are otherwise than the verdict says: none where it speaks for all of it. */
export function partsToMark(assessment: Assessment | undefined): WorkPart[] {
  const verdict = assessment?.verdict;
  if (!verdict || !assessment.findings.some((finding) => finding.code === 'not-everywhere')) return [];
  return verdict.parts.filter((part) => part.lack !== OWN[verdict.zone]);
}
