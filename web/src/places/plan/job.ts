import type { JobFile, PieceFile, Size } from '../../api/gen/types.gen';
import { figure, type Unit } from '../../words/figures';

/** Names of all sandwiches that a piece is pressed in. */
export const pilesIn = (piece: PieceFile): string[] =>
  [piece.pile, ...(piece.runs ?? []).map((run) => run.pile)].filter((pile) => typeof pile === 'string');

/** Names of all sandwiches of a job. */
export const pilesOf = (job: JobFile): string[] => [...new Set(job.pieces.flatMap(pilesIn))];

/** The job with one piece changed. */
export const withPiece = (job: JobFile, key: string, part: Partial<PieceFile>): JobFile => ({
  ...job,
  pieces: job.pieces.map((piece) => (piece.key === key ? { ...piece, ...part } : piece)),
});

/** Some pieces whose folds must run along the grain, whatever that costs: what runs across now is turned. */
export const withGrain = (job: JobFile, sizes: Size[], keys: string[]): JobFile =>
  keys.reduce((now, key) => {
    const grain = sizes.find((size) => size.key === key)?.grain === 'upright' ? 'across' : 'upright';
    return withPiece(now, key, { grain });
  }, job);

/** All pieces with the grain as the cut list has it best. */
export const withoutGrain = (job: JobFile): JobFile => ({
  ...job,
  pieces: job.pieces.map((piece) => ({ ...piece, grain: null })),
});

/** A size as a job's file has it, from millimetres. */
export const sizeText = (wide: number, high: number, unit: Unit): string =>
  `${figure(wide, 'marked', unit)} x ${figure(high, 'marked', unit)}`;

/** The job with another border around a piece. What it lies on stays: where this piece's size was the one that is given, the lowest one's is then. */
export function withBorder(
  job: JobFile,
  sizes: Map<string, Size>,
  key: string,
  border: PieceFile['border'],
): JobFile {
  const of = new Map(job.pieces.map((piece) => [piece.key, piece]));
  let root = of.get(key);
  while (root?.on && of.has(root.on)) root = of.get(root.on);
  const size = root && sizes.get(root.key);
  const inTree = new Set(root ? [root.key] : []);
  for (let before = 0; before !== inTree.size;) {
    before = inTree.size;
    for (const piece of job.pieces) if (piece.on && inTree.has(piece.on)) inTree.add(piece.key);
  }
  const pieces = job.pieces.map((piece) => {
    if (!size || !inTree.has(piece.key)) return piece.key === key ? { ...piece, border } : piece;
    const given =
      piece.key === root?.key ? (piece.size ?? sizeText(size.width_mm, size.height_mm, job.unit)) : null;
    return { ...piece, size: given, ...(piece.key === key ? { border } : {}) };
  });
  return { ...job, pieces };
}

/** The job without a piece and what lies on it. */
export function withoutPiece(job: JobFile, key: string): JobFile {
  const gone = new Set([key]);
  for (let before = 0; before !== gone.size;) {
    before = gone.size;
    for (const piece of job.pieces) if (piece.on && gone.has(piece.on)) gone.add(piece.key);
  }
  return { ...job, pieces: job.pieces.filter((piece) => !gone.has(piece.key)) };
}

/** The job with one more layer on a piece, bordered like it. */
export function withLayer(job: JobFile, on: PieceFile, name: string): JobFile {
  const border = typeof on.border === 'string' ? on.border : job.unit === 'in' ? '1/8' : '3';
  const piece: PieceFile = {
    key: freeKey(job, 'layer'),
    name,
    kind: 'layer',
    on: on.key,
    border,
    stock: on.stock ?? null,
    each: 1,
    works: ['trim', 'glue'],
    tries: 0,
    at_once: 1,
    raised_mm: 0,
    relief_mm: 0,
  };
  return { ...job, pieces: [...job.pieces, piece] };
}

/** The job with one more piece that lies apart, to be sized. */
export function withApart(job: JobFile, kind: PieceFile['kind'], name: string): JobFile {
  const piece: PieceFile = {
    key: freeKey(job, 'piece'),
    name,
    kind,
    size: job.unit === 'in' ? '2 x 4' : '50 x 100',
    stock: job.pieces[0]?.stock ?? null,
    each: 1,
    works: ['trim'],
    tries: 0,
    at_once: 1,
    raised_mm: 0,
    relief_mm: 0,
  };
  return { ...job, pieces: [...job.pieces, piece] };
}

/** A key that no piece has yet. */
function freeKey(job: JobFile, like: string): string {
  const taken = new Set(job.pieces.map((piece) => piece.key));
  let number = job.pieces.length;
  while (taken.has(`${like}${number}`)) number += 1;
  return `${like}${number}`;
}

/** A border as one text: one length, or left, right, top and bottom. */
export const borderText = (border: PieceFile['border']): string =>
  !border
    ? ''
    : typeof border === 'string'
      ? border
      : [border.left, border.right, border.top, border.bottom].join(', ');

/** The same read back: one length for all sides, two for the sides and top and bottom, or four. */
export function borderOf(text: string): PieceFile['border'] | undefined {
  const parts = text.split(/\s*[,;]\s*/).filter(Boolean);
  const [left, right, top, bottom] = parts;
  if (left === undefined) return undefined;
  if (right === undefined) return left;
  if (top === undefined) return { left, right: left, top: right, bottom: right };
  return bottom === undefined ? undefined : { left, right, top, bottom };
}

const MOST_TRIES = 3;

/** Sheets that are expected to be spoiled until a pile is right, each try mending what the last one showed. */
export const triesFor = (right: number): number =>
  right <= 0 ? MOST_TRIES : Math.min(Math.round((1 - right) / right), MOST_TRIES);
