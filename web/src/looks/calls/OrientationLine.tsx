import Box from '@mui/material/Box';
import type { Assessment } from '../../api/gen/types.gen';
import { colour } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';

/** How the sheet comes out, in a line. */
export function OrientationLine({ orientation }: { orientation: Assessment['orientation'] }) {
  const read = useWords();
  const parts: string[] = [];
  if (orientation.raised_face) parts.push(`The ${orientation.raised_face} stands up`);
  if (orientation.words_from_front != null)
    parts.push(orientation.words_from_front ? 'words read from the front' : 'words read from the back');
  if (orientation.blade_points)
    parts.push(`the blade points ${orientation.blade_points}, at ${read(orientation.blade_meets)}`);
  if (orientation.ink_lands)
    parts.push(`ink lands on the ${orientation.ink_lands.face}, on the ${orientation.ink_lands.part}`);
  if (parts.length === 0) return null;
  const text = parts.join('; ');
  return (
    <Box data-testid="orientation" sx={{ fontSize: 13.5, color: colour.ink, marginTop: '4px' }}>
      {text.charAt(0).toUpperCase() + text.slice(1)}.
    </Box>
  );
}
