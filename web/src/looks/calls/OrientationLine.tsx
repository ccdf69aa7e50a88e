import Box from '@mui/material/Box';
import type { Assessment } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

/** How the sheet comes out, in a line. */
export function OrientationLine({ orientation }: { orientation: Assessment['orientation'] }) {
  const read = useWords();
  const parts: string[] = [];
  if (orientation.raised_face) parts.push(t('Raised on the {face}', { face: orientation.raised_face }));
  if (orientation.words_from_front != null)
    parts.push(orientation.words_from_front ? t('words read from the front') : t('words read from the back'));
  if (orientation.blade_points)
    parts.push(
      t('blade pointing {blade_points}, at {blade_meets}', {
        blade_points: orientation.blade_points,
        blade_meets: read(orientation.blade_meets),
      }),
    );
  if (orientation.ink_lands)
    parts.push(
      t('ink goes on the {face}, on the {part}', {
        face: orientation.ink_lands.face,
        part: orientation.ink_lands.part,
      }),
    );
  if (parts.length === 0) return null;
  const text = parts.join('; ');
  return (
    <Box data-testid="orientation" sx={{ fontSize: 13.5, color: colour.ink, marginTop: '4px' }}>
      {text.charAt(0).toUpperCase() + text.slice(1)}.
    </Box>
  );
}
