import { BENCH_KEYS } from './places/bench/keys';
import { newThing } from './places/shelf/newThing';
import { fieldsOf } from './places/shelf/schema';
import { SCHEMAS } from './places/shelf/things.gen';
import * as changes from './sandwich/changes';
import { applyEdits, EditRefused, wrapped } from './sandwich/edits';
import * as geometry from './sandwich/geometry';
import * as placing from './sandwich/placing';
import * as units from './shared/units';
import { figure } from './words/figures';
import { readIn, words, type Catalogue } from './words/words';

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
  parseLength: units.parseLength,
  figure,
  benchKeys: () => BENCH_KEYS.map(({ shown, means }) => [shown.join(' '), means]),
  fieldsOf: (sort: keyof typeof SCHEMAS) => fieldsOf(SCHEMAS[sort]),
  newThing,
  words,
  wordsIn: (catalogue: Catalogue, ...given: Parameters<typeof words>) => {
    readIn(catalogue);
    const text = words(...given);
    readIn({});
    return text;
  },
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
