import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { JobFile, Plan, Sheet } from '../../api/gen/types.gen';
import { figure, type Unit } from '../../words/figures';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { withGrain, withoutGrain } from './job';
import { Materials } from './Materials';
import { PutAway } from './PutAway';
import { Stocks } from './Stocks';

interface Props {
  id: string;
  job: JobFile;
  plan: Plan;
  onChange: (job: JobFile) => void;
}

interface SheetProps {
  sheet: Sheet;
  name: string;
  tint: string | undefined;
  unit: Unit;
  /** Of the pieces, by key. */
  names: Map<string, string>;
}

/** The cut list: every kind of sheet with its pieces, and its cuts numbered in an order that can be made. */
export function SheetsLook({ id, job, plan, onChange }: Props) {
  const read = useWords();
  const cuts = plan.cut_list;
  const stocks = new Map((job.stocks ?? []).map((stock) => [stock.key, stock]));
  const names = new Map(plan.sizes.map((size) => [size.key, size.name]));
  const best = cuts.proven && cuts.whole === cuts.least;
  return (
    <Box>
      <Typography variant="h2">
        {cuts.whole === 1 ? t('One sheet') : t('{count} sheets', { count: cuts.whole })}
        {best ? t(', the fewest possible') : t(', at least {least}', { least: cuts.least })}
      </Typography>
      {Object.entries(cuts.buy).map(([key, count]) => (
        <Box key={key} sx={{ color: colour.warn }}>
          {t('To buy: {count} of {stock}', { count, stock: stocks.get(key)?.name ?? key })}
        </Box>
      ))}
      {cuts.against.map((one) => (
        <Box key={one.pieces.join(' ')} data-testid="against-grain">
          {read(one.says)}
          {one.saves !== null && (
            <Button onClick={() => onChange(withGrain(job, plan.sizes, one.pieces))}>
              {t('Keep the grain')}
            </Button>
          )}
        </Box>
      ))}
      {job.pieces.some((piece) => piece.grain) && (
        <Button onClick={() => onChange(withoutGrain(job))}>
          {t('Let the grain run either way to save paper')}
        </Button>
      )}
      <Stocks job={job} onChange={onChange} />
      <Materials job={job} paper={cuts.costs} used={cuts.materials} onChange={onChange} />
      <PutAway id={id} job={job} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '18px 22px', marginTop: '12px' }}>
        {cuts.sheets.map((sheet, n) => (
          <OneSheet
            key={n}
            unit={job.unit}
            names={names}
            sheet={sheet}
            name={stocks.get(sheet.stock)?.name ?? sheet.stock}
            tint={stocks.get(sheet.stock)?.colour}
          />
        ))}
      </Box>
    </Box>
  );
}

/** One kind of sheet with its cuts numbered. */
export function OneSheet({ sheet, name, tint, unit, names }: SheetProps) {
  const { width_mm: wide, height_mm: high } = sheet;
  const scale = Math.max(wide, high) / 230;
  const letters = lettersFor(sheet, names, scale);
  const tag = (sheet.cuts.length > 16 ? 0.62 : 1) * scale;
  return (
    <Box component="figure" sx={{ margin: 0 }}>
      <svg
        role="img"
        aria-label={t('Cuts of {name}', { name })}
        width={wide / scale}
        height={high / scale}
        viewBox={`0 0 ${wide} ${high}`}
        overflow="visible"
      >
        <rect width={wide} height={high} fill={colour.panel} stroke={colour.quiet} strokeWidth={scale} />
        {sheet.pieces.map((piece, n) => (
          <rect
            key={n}
            x={piece.x_mm}
            y={high - piece.y_mm - piece.height_mm}
            width={piece.width_mm}
            height={piece.height_mm}
            fill={tint ?? colour.metal}
          >
            <title>{names.get(piece.key)}</title>
          </rect>
        ))}
        {sheet.cuts.map((cut) => (
          <line
            key={cut.number}
            x1={cut.x1_mm}
            y1={high - cut.y1_mm}
            x2={cut.x2_mm}
            y2={high - cut.y2_mm}
            stroke={colour.ink}
            strokeWidth={0.9 * scale}
          />
        ))}
        {sheet.pieces.map((piece, n) => {
          const size = Math.min(11 * scale, 0.7 * Math.min(piece.width_mm, piece.height_mm));
          return (
            <text
              key={n}
              x={piece.x_mm + piece.width_mm / 2}
              y={high - piece.y_mm - piece.height_mm / 2 + 0.35 * size}
              fontSize={size}
              fontWeight={letters ? 700 : 400}
              textAnchor="middle"
              fill={colour.ink}
              stroke={colour.panel}
              strokeWidth={0.22 * size}
              paintOrder="stroke"
            >
              {letters?.get(piece.key) ?? names.get(piece.key)}
            </text>
          );
        })}
        {sheet.cuts.map((cut) => {
          const x = (cut.x1_mm + 3 * cut.x2_mm) / 4;
          const y = high - (cut.y1_mm + 3 * cut.y2_mm) / 4;
          return (
            <g key={cut.number}>
              <circle
                cx={x}
                cy={y}
                r={8 * tag}
                fill={colour.panel}
                stroke={colour.ink}
                strokeWidth={0.7 * scale}
              />
              <text x={x} y={y + 3.6 * tag} fontSize={10.5 * tag} textAnchor="middle" fill={colour.ink}>
                {cut.number}
              </text>
            </g>
          );
        })}
      </svg>
      <Box component="figcaption" sx={{ fontSize: 13.5, maxWidth: 230 }}>
        <b>{t('{count} x {name}', { count: sheet.count, name })}</b>
        {sheet.offcut && ` ${t('(off-cut)')}`}
        {sheet.bought && <span style={{ color: colour.warn }}> {t('to buy')}</span>}
        <span style={{ color: colour.quiet, display: 'block' }}>
          {`${figure(wide, 'marked', unit)} x ${figure(high, 'marked', unit)}`}
          {sheet.rest_mm &&
            t('; leaves {width} x {height}', {
              width: figure(sheet.rest_mm[0], 'marked', unit),
              height: figure(sheet.rest_mm[1], 'marked', unit),
            })}
        </span>
        {letters && (
          <span style={{ display: 'block' }}>
            {[...letters].map(([key, letter]) => `${letter} ${names.get(key) ?? key}`).join(', ')}
          </span>
        )}
      </Box>
    </Box>
  );
}

/** A letter for every piece where the names would not all fit in their pieces; each is named below the drawing. */
function lettersFor(sheet: SheetProps['sheet'], names: SheetProps['names'], scale: number) {
  const room = 6.5 * scale;
  const fits = sheet.pieces.every(
    (piece) =>
      piece.height_mm > 30 * scale &&
      piece.width_mm > 24 * scale + room * (names.get(piece.key) ?? '').length,
  );
  if (fits) return undefined;
  const keys = [...new Set(sheet.pieces.map((piece) => piece.key))];
  return new Map(keys.map((key, n) => [key, String.fromCharCode(65 + (n % 26))]));
}
