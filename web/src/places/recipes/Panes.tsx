import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** What is asked on the left, what works on the right. */
export function Panes({ label, asked, children }: { label: string; asked: ReactNode; children: ReactNode }) {
  return (
    <Box sx={{ display: 'flex', height: '100%', minHeight: 0 }}>
      <Box
        component="section"
        aria-label={label}
        sx={{ width: 300, flexShrink: 0, padding: '12px 20px 20px 24px', overflowY: 'auto' }}
      >
        {asked}
      </Box>
      <Box
        component="section"
        aria-label={t('Sandwiches that work')}
        tabIndex={0}
        sx={{
          flex: 1,
          minWidth: 0,
          background: colour.panel,
          borderLeft: `1px solid ${colour.hairline}`,
          padding: '14px 24px 20px',
          overflowY: 'auto',
        }}
      >
        {children}
      </Box>
    </Box>
  );
}
