import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { colour } from '../theme/tokens';

/** A designed empty, waiting or failed state. */
export function Notice({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <Box role="status" sx={{ maxWidth: 520 }}>
      <Typography variant="h2">{title}</Typography>
      <Typography sx={{ color: colour.quiet, margin: '6px 0 16px' }}>{text}</Typography>
      {children}
    </Box>
  );
}
