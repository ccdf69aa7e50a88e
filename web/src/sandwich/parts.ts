import type { Assessment, WorkPart } from '../api/client';

const OWN: Partial<Record<string, WorkPart['lack']>> = { faint: 'faint', hard: 'crushed' };

/** Parts of the work that are otherwise than the verdict says: none where it speaks for all of it. */
export function partsToMark(assessment: Assessment | undefined): WorkPart[] {
  const verdict = assessment?.verdict;
  if (!verdict || !assessment.findings.some((finding) => finding.code === 'not-everywhere')) return [];
  return verdict.parts.filter((part) => part.lack !== OWN[verdict.zone]);
}
