import Box from '@mui/material/Box';
import type { Rescue } from '../../api/gen/types.gen';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** What the spoiled sheet is still good for, what saves most of it first. */
export function Rescues({ rescues }: { rescues: Rescue[] }) {
  const read = useWords();
  if (rescues.length === 0) return null;
  return (
    <Box component="section" aria-label={t('Save this sheet')} sx={{ marginTop: '12px' }}>
      <Box component="h2" sx={{ fontSize: 'inherit', fontWeight: 700, margin: '0 0 4px' }}>
        {t('Save this sheet')}
      </Box>
      <Box component="ol" sx={{ margin: 0, paddingLeft: '20px' }}>
        {rescues.map((one) => (
          <Box component="li" key={one.key} sx={{ padding: '2px 0' }}>
            {read(one.says)} <span style={{ color: colour.quiet }}>{read(one.why)}</span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
