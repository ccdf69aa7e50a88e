import type { JobFile, PieceFile } from '../../api/gen/types.gen';

/** The job with one piece changed. */
export const withPiece = (job: JobFile, key: string, part: Partial<PieceFile>): JobFile => ({
  ...job,
  pieces: job.pieces.map((piece) => (piece.key === key ? { ...piece, ...part } : piece)),
});

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
  const taken = new Set(job.pieces.map((piece) => piece.key));
  let number = job.pieces.length;
  while (taken.has(`layer${number}`)) number += 1;
  const border = typeof on.border === 'string' ? on.border : job.unit === 'in' ? '1/8' : '3';
  const piece: PieceFile = {
    key: `layer${number}`,
    name,
    kind: 'layer',
    on: on.key,
    border,
    stock: on.stock ?? null,
    each: 1,
    works: ['trim', 'glue'],
    raised_mm: 0,
    relief_mm: 0,
  };
  return { ...job, pieces: [...job.pieces, piece] };
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
