import Box from '@mui/material/Box';
import { formatThickness, useUnit } from '../../shared/units';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

const ROLLER = 26; // of the drawing's 60 across
const TALLEST = 8; // mm over an opening that is drawn to scale

/** A pile before the rollers that does not go through: how far it stands over their opening, both together drawn to one scale. */
export function Stuck({ over }: { over: number }) {
  const { unit } = useUnit();
  const stands = Math.min(Math.max(over, 0.3), TALLEST);
  const opening = 10;
  const pile = opening + stands * 1.6;
  return (
    <Box sx={{ aspectRatio: '3 / 4', border: `1px dashed ${colour.quiet}`, position: 'relative' }}>
      <svg viewBox="0 0 60 80" width="100%" height="100%" aria-hidden="true">
        <circle cx="42" cy={40 - opening / 2 - ROLLER / 2} r={ROLLER / 2} fill="none" stroke={colour.ink} />
        <circle cx="42" cy={40 + opening / 2 + ROLLER / 2} r={ROLLER / 2} fill="none" stroke={colour.ink} />
        <rect
          x="3"
          y={40 + opening / 2 - pile}
          width="31"
          height={pile}
          fill={colour.panel}
          stroke={colour.ink}
        />
        <rect
          x="3"
          y={40 + opening / 2 - pile}
          width="31"
          height={pile - opening}
          fill={colour.stop}
          opacity="0.55"
        />
      </svg>
      <Box sx={{ position: 'absolute', bottom: 2, width: '100%', textAlign: 'center', fontSize: 12.5 }}>
        {t('{over} over', { over: formatThickness(over, unit) })}
      </Box>
    </Box>
  );
}
