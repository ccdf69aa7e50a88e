import * as changes from './sandwich/changes';
import { applyEdits, EditRefused, wrapped } from './sandwich/edits';
import * as geometry from './sandwich/geometry';
import * as placing from './sandwich/placing';
import * as units from './shared/units';

/** The page's pure functions by name, for tests that ask them from outside: no browser, no page. */
const asked: Record<string, (...given: never[]) => unknown> = {
  applyEdits,
  wrapped,
  snapped: placing.snapped,
  nudged: changes.nudged,
  dropped: changes.dropped,
  added: changes.added,
  placeFor: changes.placeFor,
  counted: changes.counted,
  misted: changes.misted,
  rotated: changes.rotated,
  inkedNext: changes.inkedNext,
  drawStack: geometry.drawStack,
  placeLabels: geometry.placeLabels,
  placeAt: geometry.placeAt,
  formatSize: units.formatSize,
  formatThickness: units.formatThickness,
  fraction: units.fraction,
  parseLength: units.parseLength,
  localise: units.localise,
};

/** Answers one question after the other: the name of a function and what it is given. */
export function answers(questions: [string, unknown[]][]): unknown[] {
  return questions.map(([name, given]) => {
    try {
      const answer = asked[name]?.(...(given as never[]));
      return answer === undefined ? null : answer;
    } catch (error) {
      if (error instanceof EditRefused) return { refused: error.message };
      throw error;
    }
  });
}
