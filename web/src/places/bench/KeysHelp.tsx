import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import Typography from '@mui/material/Typography';
import { Kbd } from '../../shared/Kbd';
import { BENCH_KEYS } from './keys';
import { t } from '../../words/words';

/** All keys of the bench. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title" transitionDuration={0}>
      <Box sx={{ padding: 3, minWidth: 420 }}>
        <Typography variant="h2" id="keys-title" sx={{ marginBottom: 2 }}>
          {t('Keys on the bench')}
        </Typography>
        <Box
          component="dl"
          sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '7px 20px', margin: 0 }}
        >
          {BENCH_KEYS.map(({ shown, means }) => (
            <Box key={means} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ display: 'flex', gap: '4px' }}>
                {shown.map((key) => (
                  <Kbd key={key}>{key}</Kbd>
                ))}
              </Box>
              <Box component="dd" sx={{ margin: 0 }}>
                {means}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
    </Dialog>
  );
}
