import type { Finding } from '../../api/gen/types.gen';

/** Keys that apply the first fixes, in order; free letters of the home row. */
export const FIX_KEYS = ['f', 'g', 'h', 'j', 'k'];

export interface KeyedFinding {
  finding: Finding;
  shortcut: string | undefined;
}

/** The findings with the key of each one's fix. */
export function withKeys(findings: Finding[]): KeyedFinding[] {
  let used = 0;
  return findings.map((finding) => ({ finding, shortcut: finding.fix ? FIX_KEYS[used++] : undefined }));
}
