import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { assessmentQuery } from '../../api/queries';
import type { ImpressionAnswer, JobFile, PartsFile, PieceFile, Sandwich } from '../../api/gen/types.gen';
import { Toggle } from '../../shared/Toggle';
import { formatThickness, useUnit } from '../../shared/units';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Entry } from './Entry';
import { pilesIn, triesFor, withPiece } from './job';
import { standsOut, usePressed } from './pressed';

interface Props {
  job: JobFile;
  piece: PieceFile;
  onChange: (job: JobFile) => void;
}

/** How many of a piece there are on a card and in which rows, and what its pile does to it. */
export function PartsAndTries({ job, piece, onChange }: Props) {
  const set = (part: Partial<PieceFile>) => onChange(withPiece(job, piece.key, part));
  const parts: PartsFile = piece.parts ?? { columns: 1, rows: 1, gap: '0' };
  const counted = (label: string, now: number, most: number, then: (count: number) => void, least = 1) => (
    <Entry
      label={label}
      value={String(now)}
      wide={30}
      onCommit={(text) => {
        const count = Number(text);
        if (Number.isInteger(count) && count >= least && count <= most) then(count);
      }}
    />
  );
  const pressed = pilesIn(piece).length > 0 || (piece.runs ?? []).length > 0;
  const again = piece.reused ?? (piece.kind === 'stencil' || (piece.kind === 'frame' && !piece.on));
  const laid = (part: Partial<PartsFile>) => {
    const next = { ...parts, ...part };
    set({ parts: next.columns * next.rows > 1 ? next : null });
  };
  return (
    <>
      <span style={{ color: colour.quiet }}>
        {counted(t('{piece} on each card', { piece: piece.name }), piece.each, 100, (each) => set({ each }))}{' '}
        {t('on each card')}
      </span>
      {!piece.on && (
        <Toggle
          label={t('keep for later')}
          says={t("{piece} is a tool you use again, so it's made once", { piece: piece.name })}
          on={again}
          onChange={(reused) => set({ reused })}
        />
      )}
      {piece.on && (
        <span style={{ color: colour.quiet }}>
          {counted(t('Columns of {piece}', { piece: piece.name }), parts.columns, 12, (columns) =>
            laid({ columns }),
          )}{' '}
          {t('in a row,')}{' '}
          {counted(t('Rows of {piece}', { piece: piece.name }), parts.rows, 12, (rows) => laid({ rows }))}{' '}
          {t('rows')}
          {piece.parts && (
            <>
              {t(', apart')}{' '}
              <Entry
                label={t('Gap between parts of {piece}', { piece: piece.name })}
                value={parts.gap}
                wide={48}
                onCommit={(gap) => laid({ gap })}
              />
            </>
          )}
        </span>
      )}
      {pressed && (
        <span style={{ color: colour.quiet }}>
          {counted(
            t('Sheets for trying out {piece}', { piece: piece.name }),
            piece.tries,
            20,
            (tries) => set({ tries }),
            0,
          )}{' '}
          {t('to try it,')}{' '}
          {counted(t('{piece} pressed at once', { piece: piece.name }), piece.at_once, 50, (at_once) =>
            set({ at_once }),
          )}{' '}
          {t('at once')}
        </span>
      )}
      {pilesIn(piece).map((pile) => (
        <Computed key={pile} pile={pile} piece={piece} onTake={set} />
      ))}
    </>
  );
}

interface ComputedProps {
  pile: string;
  piece: PieceFile;
  onTake: (part: Partial<PieceFile>) => void;
}

/** What the sandwich of a piece comes to by the computation. */
function Computed({ pile, ...rest }: ComputedProps) {
  const { sandwich, pressed, gone } = usePressed(pile);
  if (gone) return <span style={{ color: colour.warn }}>{t('No sandwich has this name now.')}</span>;
  if (!sandwich) return null;
  return <Judged sandwich={sandwich} pressed={pressed} {...rest} />;
}

interface JudgedProps extends Omit<ComputedProps, 'pile'> {
  sandwich: Sandwich;
  pressed: ImpressionAnswer | undefined;
}

/** How far its relief stands out and how likely it comes out right, with one button to count with it. */
function Judged({ sandwich, pressed, piece, onTake }: JudgedProps) {
  const { unit } = useUnit();
  const judged = useQuery(assessmentQuery(sandwich)).data;
  const read = useWords();
  const good = judged?.verdict?.good;
  const right = judged ? (good?.chance ?? 0) : undefined;
  const relief = standsOut(pressed);
  if (right === undefined || (relief === undefined && pressed?.stage !== 'full'))
    return <span style={{ color: colour.quiet }}>{t('computing its sheet …')}</span>;
  const tries = triesFor(right);
  const there = piece.tries === tries && (relief === undefined || piece.relief_mm === relief);
  const sure = good
    ? t('a good sheet: {likelihood}', { likelihood: read(good.words) })
    : t('no good sheet as is');
  return (
    <span style={{ color: right < 0.5 ? colour.warn : colour.quiet }}>
      {relief === undefined
        ? sure
        : t('relief {relief}, {sure}', { relief: formatThickness(relief, unit), sure })}{' '}
      {!there && (
        <Button onClick={() => onTake({ tries, ...(relief === undefined ? {} : { relief_mm: relief }) })}>
          {t('Use that')}
        </Button>
      )}
    </span>
  );
}
