import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Assessment, Finding, Offer, Sandwich, Suggestion } from '../../api/gen/types.gen';
import { fixesQuery } from '../../api/queries';

/** Keys that apply the first fixes, in order; free letters of the home row. */
export const FIX_KEYS = ['f', 'g', 'h', 'j', 'k'];

export interface OfferedFinding {
  finding: Finding;
  /** The fix that helps, if there is one. */
  fix: Suggestion | undefined;
  shortcut: string | undefined;
}

/** The findings with each one's fix that helps, and its key. */
export function withFixes(findings: Finding[], offers: Offer[] = []): OfferedFinding[] {
  let used = 0;
  return findings.map((finding) => {
    const fix = offers.find((one) => one.code === finding.code && one.layer === finding.layer)?.fix;
    return { finding, fix, shortcut: fix && FIX_KEYS[used++] };
  });
}

/** The findings of a sandwich with the fixes that help; while it moves, and until they are judged, without. */
export function useFixes(sandwich: Sandwich, assessment: Assessment, still: boolean): OfferedFinding[] {
  const { findings } = assessment;
  const fixes = useQuery({
    ...fixesQuery(sandwich),
    enabled: still && findings.some((finding) => finding.mendable),
  });
  return useMemo(() => withFixes(findings, still ? fixes.data : undefined), [findings, fixes.data, still]);
}
