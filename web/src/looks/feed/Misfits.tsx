import Box from '@mui/material/Box';
import type { Lying } from '../../api/gen/types.gen';
import { SuggestionButton } from '../../sandwich/SuggestionButton';
import { formatSize, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

/** What does not fit: what can be mended first, each with its mends; the rest of it in one line. */
export function Misfits({ lying }: { lying: Lying }) {
  const unit = useUnit((choice) => choice.unit);
  const read = useWords();
  const mended = lying.misfits.filter((misfit) => misfit.mends.length > 0);
  const rest = lying.misfits.filter((misfit) => misfit.mends.length === 0);
  return (
    <Box sx={{ color: colour.stop }}>
      {mended.map((misfit) => (
        <Box key={misfit.layer} role="alert">
          <b>{misfit.name}</b>{' '}
          {t('is {over} too wide for {where}.', {
            over: formatSize(misfit.over_mm, unit),
            where: read(misfit.where),
          })}{' '}
          {misfit.mends.map((mend) => (
            <SuggestionButton key={mend.label.say} suggestion={mend} />
          ))}
        </Box>
      ))}
      {rest.length > 0 && (
        <Box role="alert">
          <b>{rest.map((misfit) => misfit.name).join(', ')}</b>
          {t(
            ': up to {over} too wide for {part}, whichever way you turn it. Use narrower ones, or a wider press.',
            {
              over: formatSize(Math.max(...rest.map((misfit) => misfit.over_mm)), unit),
              part: [...new Set(rest.map((misfit) => read(misfit.where)))].join(' or '),
            },
          )}
        </Box>
      )}
    </Box>
  );
}
