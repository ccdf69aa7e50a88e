import type { JobFile, PieceFile, Size } from './api/gen/types.gen';
import { Keeper, type Saving } from './api/keeper';
import { ServiceError } from './api/refusal';
import { BENCH_KEYS } from './places/bench/keys';
import * as job from './places/plan/job';
import { bordersFile } from './places/plan/placed';
import * as progress from './places/plan/progress';
import { newThing } from './places/shelf/newThing';
import { fieldsOf } from './places/shelf/schema';
import { SCHEMAS } from './places/shelf/things.gen';
import * as changes from './sandwich/changes';
import { applyEdits, EditRefused, wrapped } from './sandwich/edits';
import * as geometry from './sandwich/geometry';
import * as placing from './sandwich/placing';
import { bodyOf, marksOf } from './sandwich/shapes';
import * as units from './shared/units';
import { figure } from './words/figures';
import { readIn, words, type Catalogue } from './words/words';

interface Kept {
  id: string;
  version: number;
  body: string;
}

type Step =
  | { open: Kept }
  | { change: string }
  | { save: true }
  | { reply: Kept | [status: number, code: string, current?: Kept] }
  | { choose: 'mine' | 'theirs' };

/** Plays a script to a keeper: which state each step ended in, what was sent, and what is shown. */
async function kept(script: Step[]): Promise<unknown> {
  const sent: unknown[] = [];
  const waiting: ((reply: Kept | [number, string, Kept?]) => void)[] = [];
  const told: string[] = [];
  let saving: Saving<Kept> | undefined;
  let shown: string | undefined;
  const keeper = new Keeper<string, Kept>({
    name: 'played',
    pause: 1e6,
    send: (id, body, version) => {
      sent.push([id, body, version]);
      return new Promise((answer, refuse) =>
        waiting.push((reply) =>
          Array.isArray(reply)
            ? refuse(new ServiceError(reply[0], reply[1], { say: 'refused' }, null, null, reply[2]))
            : answer(reply),
        ),
      );
    },
    tell: (known) => {
      saving = known;
    },
  });
  for (const step of script) {
    if ('open' in step) shown = keeper.open(step.open, step.open.body);
    else if ('change' in step) keeper.change((shown = step.change));
    else if ('reply' in step) waiting.shift()?.(step.reply);
    else if ('choose' in step && step.choose === 'mine') keeper.keepMine();
    else if ('choose' in step) keeper.takeTheirs((shown = saving?.theirs?.body ?? ''));
    else void keeper.now();
    await new Promise((done) => setTimeout(done, 0));
    told.push(saving?.saveState ?? '');
  }
  keeper.close();
  return { told, sent, shown, version: saving?.version };
}

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
  shapesOf: (...given: Parameters<typeof geometry.drawStack>) =>
    geometry.drawStack(...given).layers.map((drawn) => [bodyOf(drawn), marksOf(drawn)]),
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
  kept,
  ...progress,
  withLayer: job.withLayer,
  withApart: job.withApart,
  withoutPiece: job.withoutPiece,
  withBorder: (of: JobFile, sizes: Size[], key: string, border: PieceFile['border']) =>
    job.withBorder(of, new Map(sizes.map((size) => [size.key, size])), key, border),
  triesFor: job.triesFor,
  bordersFile,
  wordsIn: (catalogue: Catalogue, ...given: Parameters<typeof words>) => {
    readIn(catalogue);
    const text = words(...given);
    readIn({});
    return text;
  },
};

/** Answers one question after the other: the name of a function and what it is given. */
export async function answers(questions: [string, unknown[]][]): Promise<unknown[]> {
  const found: unknown[] = [];
  for (const [name, given] of questions) {
    try {
      const answer = await asked[name]?.(...(given as never[]));
      found.push(answer === undefined ? null : answer);
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error;
      found.push({ refused: error.message });
    }
  }
  return found;
}
