import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { roomQuery } from '../../api/queries';
import { useWords } from '../../shared/useWords';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** That a verdict stands on what was learnt here, and what of it does not fit; nothing where nothing was learnt yet. */
export function Learnt() {
  const room = useQuery(roomQuery);
  const read = useWords();
  if (!room.data?.runs) return null;
  return (
    <Box sx={{ fontSize: 13, color: colour.quiet }} data-testid="learnt-here">
      {room.data.runs === 1
        ? t('Includes what one run or known pile taught about this press room.')
        : t('Includes what {runs} runs and known piles taught about this press room.', {
            runs: room.data.runs,
          })}
      {room.data.contradictions.map((doubt) => (
        <Box key={doubt.run_id} role="note" sx={{ color: colour.stop }}>
          {read(doubt.words)}
        </Box>
      ))}
    </Box>
  );
}
