import Box from '@mui/material/Box';
import { Link } from 'react-router';
import type { ShelfWrite } from '../../api/gen/types.gen';
import { HAND } from '../../shared/useScreen';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';
import { NewItem } from './NewItem';
import { ShelfIn } from './ShelfFiles';

/** The ways to put something on the shelf: by name, by photo, by a list, from a file. */
export function AddingRow({ onAdd }: { onAdd: (write: ShelfWrite) => void }) {
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: '4px 20px',
        margin: '0 -24px 8px',
        padding: '4px 24px',
        background: colour.panel,
        fontSize: 13.5,
        [HAND]: { margin: '0 -12px 8px', padding: '4px 12px' },
        '& a': { color: colour.accent },
      }}
    >
      <NewItem onAdd={onAdd} />
      <Box sx={{ flex: 1 }} />
      <Link to="/shelf/photo">{t('Photograph tools')}</Link>
      <Link to="/set-out">{t('Set out')}</Link>
      <ShelfIn />
    </Box>
  );
}
