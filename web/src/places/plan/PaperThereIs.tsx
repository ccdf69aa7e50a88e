import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { listPaperOptions, listPaperQueryKey } from '../../api/gen/@tanstack/react-query.gen';
import { changePaper, deletePaper } from '../../api/gen/sdk.gen';
import type { PaperRecord, SheetsFile } from '../../api/gen/types.gen';
import { told } from '../../api/refusal';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { Entry } from './Entry';

/** The sheets that are owned, whole ones and off-cuts, as jobs that were put away left them. */
export function PaperThereIs() {
  const listed = useQuery(listPaperOptions());
  const queries = useQueryClient();
  if (!listed.data?.paper.length) return null;
  const then = async (what: Promise<unknown>) => {
    try {
      await what;
    } catch (error) {
      say(told(error));
    }
    await queries.invalidateQueries({ queryKey: listPaperQueryKey() });
  };
  return (
    <Box component="section" aria-label={t('Paper on hand')} sx={{ marginTop: '18px' }}>
      <Typography variant="h2">{t('Paper on hand')}</Typography>
      {listed.data.paper.map((one) => (
        <OneStock
          key={one.id}
          of={one}
          onSheets={(sheets) =>
            void then(
              changePaper({
                path: { paper_id: one.id },
                body: { stock: { ...one.stock, sheets }, unit: 'mm', version: one.version },
              }),
            )
          }
          onForget={() =>
            void then(deletePaper({ path: { paper_id: one.id }, query: { version: one.version } }))
          }
        />
      ))}
    </Box>
  );
}

interface OneProps {
  of: PaperRecord;
  onSheets: (sheets: SheetsFile[]) => void;
  onForget: () => void;
}

function OneStock({ of: { stock }, onSheets, onForget }: OneProps) {
  return (
    <Box
      component="article"
      aria-label={stock.name}
      sx={{ borderBottom: `1px solid ${colour.hairline}`, padding: '6px 0' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: '14px' }}>
        <b style={{ flex: 1 }}>{stock.name}</b>
        <Button sx={{ fontSize: 13.5 }} onClick={onForget}>
          {t('Forget')}
        </Button>
      </Box>
      {stock.sheets.map((sheets, n) => (
        <Box key={n} sx={{ display: 'flex', alignItems: 'baseline', gap: '12px', color: colour.quiet }}>
          <Entry
            label={t('How many of {stock}, {n}', { stock: stock.name, n: n + 1 })}
            value={sheets.count == null ? t('as many as you need') : String(sheets.count)}
            wide={sheets.count == null ? 130 : 44}
            onCommit={(text) => {
              const count = Number(text);
              if (Number.isInteger(count) && count >= 0 && count <= 100_000)
                onSheets(
                  stock.sheets.flatMap((one, m) =>
                    m !== n ? [one] : sheets.offcut && count === 0 ? [] : [{ ...one, count }],
                  ),
                );
            }}
          />
          <span>{sheets.offcut ? t('off-cuts') : t('sheets')}</span>
          <span style={{ color: colour.ink }}>{sheets.size}</span>
        </Box>
      ))}
    </Box>
  );
}
