import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import type { JobFile, PieceFile, Size } from '../../api/gen/types.gen';
import { sandwichesQuery } from '../../api/queries';
import { QuietSelect } from '../../shared/QuietSelect';
import { Segments } from '../../shared/Segments';
import { Toggle } from '../../shared/Toggle';
import { figure } from '../../words/figures';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t, term } from '../../words/words';
import { NumberField } from '../../shared/NumberField';
import { Entry } from './Entry';
import { BY_HAND, FOLDS, PIECE_KINDS, PRESSED, WORKS } from './works.gen';
import { OpenedOut } from './OpenedOut';
import { Runs } from './Runs';
import { PartsAndTries } from './PartsAndTries';
import { borderOf, borderText, withApart, withBorder, withLayer, withoutPiece, withPiece } from './job';

interface Props {
  job: JobFile;
  sizes: Size[];
  selected: string | undefined;
  /** Field of the job that cannot be, as the service named it. */
  wrong: string;
  onSelect: (key: string) => void;
  onChange: (job: JobFile) => void;
  onResize: (key: string, size: string) => void;
  /** What gives way to a new size: the borders around that piece, or the sizes of all others. */
  follows: Follows;
  onFollows: (follows: Follows) => void;
  onEnvelope: () => void;
}

export type Follows = 'borders' | 'sizes';
const FOLLOWS = ['borders', 'sizes'] as const;
const FOLLOW_WORDS = { borders: t('the other sizes'), sizes: t('the borders') };

/** The pieces of the card, from below: size, border, stock, what is done to each. */
export function Pieces({
  job,
  sizes,
  selected,
  wrong,
  onSelect,
  onChange,
  onResize,
  onEnvelope,
  follows,
  onFollows,
}: Props) {
  const size = new Map(sizes.map((one) => [one.key, one]));
  return (
    <Box>
      <Box component="ol" aria-label={t('Pieces')} sx={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {job.pieces.map((piece) => {
          const own = size.get(piece.key);
          const measures =
            own &&
            `${figure(own.width_mm, 'marked', job.unit)} x ${figure(own.height_mm, 'marked', job.unit)}`;
          const at = `pieces.${piece.key}`;
          return (
            <Box
              component="li"
              key={piece.key}
              aria-label={piece.name}
              onFocus={() => onSelect(piece.key)}
              onClick={() => onSelect(piece.key)}
              sx={{
                borderBottom: `1px solid ${colour.hairline}`,
                borderLeft: `3px solid ${piece.key === selected ? colour.accent : 'transparent'}`,
                padding: '7px 0 8px 10px',
              }}
            >
              <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '3px 14px' }}>
                <Box component="span" sx={{ fontWeight: 600 }}>
                  <Entry
                    label={t('Name of {piece}', { piece: piece.name })}
                    value={piece.name}
                    wide={150}
                    onCommit={(name) => onChange(withPiece(job, piece.key, { name }))}
                  />
                </Box>
                <Entry
                  label={t('Size of {piece}', { piece: piece.name })}
                  value={measures ?? piece.size ?? ''}
                  wide={138}
                  invalid={wrong.startsWith(`${at}.size`)}
                  onCommit={(text) => onResize(piece.key, text)}
                />
                {piece.on && (
                  <span style={{ color: colour.quiet }}>
                    {t('border')}{' '}
                    <Entry
                      label={t('Border around {piece}', { piece: piece.name })}
                      value={borderText(piece.border)}
                      wide={150}
                      invalid={wrong.startsWith(`${at}.border`)}
                      onCommit={(text) => {
                        // what is neither one, two nor four lengths goes on as it is, to be named
                        onChange(withBorder(job, size, piece.key, borderOf(text) ?? text));
                      }}
                    />
                  </span>
                )}
                <QuietSelect
                  label={t('Stock of {piece}', { piece: piece.name })}
                  value={piece.stock ?? ''}
                  options={{
                    '': t('nothing'),
                    ...Object.fromEntries((job.stocks ?? []).map((stock) => [stock.key, stock.name])),
                  }}
                  onChange={(stock) => onChange(withPiece(job, piece.key, { stock: stock || null }))}
                />
              </Box>
              {piece.key === selected && <More job={job} piece={piece} own={own} onChange={onChange} />}
            </Box>
          );
        })}
      </Box>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '4px 14px', marginTop: '8px' }}
      >
        <span style={{ color: colour.quiet }}>{t("When a layer's size changes, keep")}</span>
        <Segments
          label={t("What to keep when a layer's size changes")}
          value={follows}
          options={FOLLOWS}
          names={FOLLOW_WORDS}
          onChange={onFollows}
        />
        <Button onClick={() => onChange(withApart(job, 'tag', t('Tag')))}>{t('Another piece')}</Button>
        {!job.pieces.some((piece) => piece.kind === 'envelope') && (
          <Button onClick={onEnvelope}>{t('An envelope that fits')}</Button>
        )}
      </Box>
    </Box>
  );
}

/** What is done to the piece in hand, and what can be put on it. */
function More({
  job,
  piece,
  own,
  onChange,
}: {
  job: JobFile;
  piece: PieceFile;
  own: Size | undefined;
  onChange: (job: JobFile) => void;
}) {
  const read = useWords();
  const works = piece.works ?? [];
  const kept = useQuery(sandwichesQuery());
  const names = kept.data?.sandwiches.map((one) => one.name) ?? [];
  const piles = [...new Set([...(piece.pile ? [piece.pile] : []), ...names])];
  return (
    <Box sx={{ marginTop: '6px' }}>
      <Box
        role="group"
        aria-label={t('Work on {piece}', { piece: piece.name })}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 10px' }}
      >
        {WORKS.filter((work) => BY_HAND.some((one) => one === work) || works.includes(work)).map((work) => (
          <Toggle
            key={work}
            label={term(work)}
            on={works.includes(work)}
            onChange={(on) =>
              onChange(
                withPiece(job, piece.key, {
                  works: on ? [...works, work] : works.filter((one) => one !== work),
                }),
              )
            }
          />
        ))}
      </Box>
      <Runs job={job} piece={piece} onChange={onChange} />
      {own && own.scores_mm.length + own.crossing_mm.length > 0 && <OpenedOut size={own} unit={job.unit} />}
      {own?.why.map((why) => (
        <Box key={why.say} sx={{ color: colour.quiet, fontSize: 13.5, marginTop: '4px' }}>
          {read(why)}
        </Box>
      ))}
      {own?.off_ruler && (
        <Box sx={{ color: colour.warn, fontSize: 13.5, marginTop: '4px' }}>{read(own.off_ruler)}</Box>
      )}
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 14px', marginTop: '4px' }}
      >
        <QuietSelect
          label={t('Kind of {piece}', { piece: piece.name })}
          value={piece.kind}
          options={Object.fromEntries(PIECE_KINDS.map((kind) => [kind, term(kind)]))}
          onChange={(kind) =>
            onChange(withPiece(job, piece.key, { kind: PIECE_KINDS.find((one) => one === kind) ?? 'layer' }))
          }
        />
        <QuietSelect
          label={t('Fold of {piece}', { piece: piece.name })}
          value={piece.fold ?? ''}
          options={{ '': t('flat'), ...Object.fromEntries(FOLDS.map((fold) => [fold, term(fold)])) }}
          onChange={(fold) =>
            onChange(withPiece(job, piece.key, { fold: FOLDS.find((one) => one === fold) ?? null }))
          }
        />
        {works.some((work) => PRESSED.some((one) => one === work)) && (
          <QuietSelect
            label={t('Sandwich of {piece}', { piece: piece.name })}
            value={piece.pile ?? ''}
            options={{
              '': t('which sandwich?'),
              ...Object.fromEntries(piles.map((pile) => [pile, pile])),
            }}
            onChange={(pile) => onChange(withPiece(job, piece.key, { pile: pile || null }))}
          />
        )}
        <span style={{ color: colour.quiet }}>
          <NumberField
            label={t('foam below')}
            name={t('Foam below {piece}', { piece: piece.name })}
            kind="thickness"
            value={piece.raised_mm}
            least={0}
            most={20}
            onValue={(raised) => onChange(withPiece(job, piece.key, { raised_mm: raised }))}
          />
        </span>
        <PartsAndTries job={job} piece={piece} onChange={onChange} />
        <Button onClick={() => onChange(withLayer(job, piece, t('Layer {n}', { n: job.pieces.length })))}>
          {t('Add a layer on it')}
        </Button>
        {job.pieces.length > 1 && (
          <Button onClick={() => onChange(withoutPiece(job, piece.key))}>{t('Remove')}</Button>
        )}
      </Box>
    </Box>
  );
}
