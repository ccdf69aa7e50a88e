import Box from '@mui/material/Box';
import type { Lying } from '../../api/client';
import { SuggestionButton } from '../../sandwich/SuggestionButton';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';

/** What does not fit: what can be mended first, each with its mends; the rest of it in one line. */
export function Misfits({ lying }: { lying: Lying }) {
  const unit = useUnit((choice) => choice.unit);
  const mended = lying.misfits.filter((misfit) => misfit.mends.length > 0);
  const rest = lying.misfits.filter((misfit) => misfit.mends.length === 0);
  return (
    <Box sx={{ color: colour.stop }}>
      {mended.map((misfit) => (
        <Box key={misfit.layer} role="alert">
          <b>{misfit.name}</b> is {formatSize(misfit.over_mm, unit)} over what {misfit.where}{' '}
          {misfit.where === 'its plates' ? 'take' : 'takes'}.{' '}
          {misfit.mends.map((mend) => (
            <SuggestionButton key={mend.label} suggestion={mend} />
          ))}
        </Box>
      ))}
      {rest.length > 0 && (
        <Box role="alert">
          <b>{rest.map((misfit) => misfit.name).join(', ')}</b>: up to{' '}
          {formatSize(Math.max(...rest.map((misfit) => misfit.over_mm)), unit)} over what{' '}
          {[...new Set(rest.map((misfit) => misfit.where))].join(' or ')}{' '}
          {rest.some((m) => m.where === 'its plates') ? 'take' : 'takes'}, however turned. Use narrower ones,
          or a wider press.
        </Box>
      )}
    </Box>
  );
}
