import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { Good } from '../api/gen/types.gen';
import { colour } from '../theme/tokens';
import { t } from '../words/words';
import { useWords } from '../shared/useWords';

/** The one chance that a sheet comes out good, in words; what spoils it otherwise for whoever lingers. */
export function GoodSheet({ good }: { good: Good }) {
  const read = useWords();
  return (
    <Tooltip title={spoiledBy(good, read)}>
      <Box component="span" tabIndex={0} sx={{ '& b': { color: colour.ink } }}>
        {t('A good sheet:')} <b data-testid="good">{read(good.words)}</b>
      </Box>
    </Tooltip>
  );
}

function spoiledBy(good: Good, read: (words: Good['words']) => string): string {
  const parts = good.parts.map((part) => `${read(part.what)} ${Math.round(part.chance * 100)} %`);
  return parts.length > 0
    ? t('Counts everything nobody knows exactly. What else could happen: {parts}.', {
        parts: parts.join(', '),
      })
    : t('Counts everything nobody knows exactly: thicknesses, the opening, how strong the card is.');
}
