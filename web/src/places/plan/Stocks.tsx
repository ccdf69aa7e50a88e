import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { listPaperOptions, listPaperQueryKey } from '../../api/gen/@tanstack/react-query.gen';
import { keepPaper } from '../../api/gen/sdk.gen';
import type { JobFile, StockFile } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { say } from '../../shared/notices';
import { QuietSelect } from '../../shared/QuietSelect';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Entry } from './Entry';

const GRAINS = { upright: t('grain upright'), across: t('grain across'), '': t('grain not known') };

interface Props {
  job: JobFile;
  onChange: (job: JobFile) => void;
}

/** The sheets of every stock that is cut: how large, how many there are, off-cuts from before, what one costs. */
export function Stocks({ job, onChange }: Props) {
  const used = new Set(job.pieces.map((piece) => piece.stock));
  const stocks = (job.stocks ?? []).filter((stock) => used.has(stock.key));
  const set = (key: string, part: Partial<StockFile>) =>
    onChange({
      ...job,
      stocks: (job.stocks ?? []).map((one) => (one.key === key ? { ...one, ...part } : one)),
    });
  return (
    <Box component="section" aria-label={t('Sheets on hand')} sx={{ margin: '8px 0 14px' }}>
      {stocks.map((stock) => (
        <Box key={stock.key} sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '4px 0' }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: '2px 14px' }}>
            <b style={{ minWidth: 150 }}>{stock.name}</b>
            <span style={{ color: colour.quiet }}>
              {t('each costs')}{' '}
              <Entry
                label={t('Price of {stock}', { stock: stock.name })}
                value={stock.price == null ? '–' : String(stock.price)}
                wide={52}
                onCommit={(text) => {
                  const price = Number(text.replace(',', '.'));
                  if (price >= 0 && price <= 10_000) set(stock.key, { price });
                }}
              />
            </span>
            <Button
              sx={{ fontSize: 13.5 }}
              onClick={() => {
                const [whole] = stock.sheets;
                if (whole)
                  set(stock.key, { sheets: [...stock.sheets, { ...whole, count: 1, offcut: true }] });
              }}
            >
              {t('Off-cut')}
            </Button>
            <Remember stock={stock} unit={job.unit} />
          </Box>
          {stock.sheets.map((sheets, n) => {
            const change = (part: Partial<typeof sheets>) =>
              set(stock.key, { sheets: stock.sheets.map((one, m) => (m === n ? { ...one, ...part } : one)) });
            const name = { stock: stock.name, n: n + 1 };
            return (
              <Box
                key={n}
                sx={{
                  display: 'flex',
                  flexWrap: 'wrap',
                  alignItems: 'baseline',
                  gap: '2px 14px',
                  fontSize: 14,
                }}
              >
                <Entry
                  label={t('How many of {stock}, {n}', name)}
                  value={sheets.count == null ? t('as many as you need') : String(sheets.count)}
                  wide={sheets.count == null ? 124 : 44}
                  onCommit={(text) => {
                    const count = Number(text);
                    change({ count: Number.isInteger(count) && count >= 0 ? count : null });
                  }}
                />
                <span style={{ color: colour.quiet }}>{sheets.offcut ? t('off-cuts') : t('sheets')}</span>
                <Entry
                  label={t('Sheet size of {stock}, {n}', name)}
                  value={sheets.size}
                  wide={130}
                  onCommit={(size) => change({ size })}
                />
                <QuietSelect
                  label={t('Grain of {stock}, {n}', name)}
                  value={sheets.grain ?? ''}
                  options={GRAINS}
                  onChange={(grain) =>
                    change({ grain: grain === 'upright' || grain === 'across' ? grain : null })
                  }
                />
                {n > 0 && (
                  <Button
                    sx={{ fontSize: 13.5 }}
                    onClick={() => set(stock.key, { sheets: stock.sheets.filter((_, m) => m !== n) })}
                  >
                    {t('Remove')}
                  </Button>
                )}
              </Box>
            );
          })}
        </Box>
      ))}
    </Box>
  );
}

/** Keeps the sheets of a stock as the paper there is, so that the next job begins with them. */
function Remember({ stock, unit }: { stock: StockFile; unit: JobFile['unit'] }) {
  const queries = useQueryClient();
  const kept = useQuery(listPaperOptions()).data?.paper.find((one) => one.stock.name === stock.name);
  const keep = async () => {
    try {
      await keepPaper({ body: { stock, unit } });
      await queries.invalidateQueries({ queryKey: listPaperQueryKey() });
      say(t('{stock} is saved with its sheets. New plans start with them.', { stock: stock.name }));
    } catch (error) {
      say(told(error));
    }
  };
  return (
    <Button
      sx={{ fontSize: 13.5 }}
      onClick={() => void keep()}
      title={t('New plans start with these sheets. Saving leftovers counts them down.')}
    >
      {kept ? t('Save again') : t('Save these sheets')}
    </Button>
  );
}
