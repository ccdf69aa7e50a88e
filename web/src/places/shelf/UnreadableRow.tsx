import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ShelfEntry } from '../../api/gen/types.gen';
import { rawShelfEntry } from '../../api/gen/sdk.gen';
import { download } from '../../shared/download';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { useWords } from '../../shared/useWords';
import { written } from '../../api/making';
import { t } from '../../words/words';

/** A thing that this version of the program cannot read: it keeps its place, and has a way out. */
export function UnreadableRow({ entry, onRemove }: { entry: ShelfEntry; onRemove: () => void }) {
  const read = useWords();
  const save = async () => {
    try {
      download(
        await written(rawShelfEntry({ path: { entry_id: entry.id }, parseAs: 'text' })),
        'as-stored.json',
        'application/json',
      );
    } catch (error) {
      say(String(error));
    }
  };
  return (
    <Box
      aria-label={entry.name}
      role="listitem"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        fontSize: 13.5,
        borderBottom: `1px solid ${colour.hairline}`,
        padding: '3px 0',
      }}
    >
      <b>{entry.name}</b>
      <Box sx={{ color: colour.stop, flex: 1 }}>
        {t("Stored by another version, not readable here: {unreadable} It's kept as is.", {
          unreadable: read(entry.unreadable),
        })}
      </Box>
      <Button onClick={() => void save()}>{t('Save it as stored')}</Button>
      <Button
        color="inherit"
        aria-label={t('Take {name} off the shelf', { name: entry.name })}
        onClick={onRemove}
      >
        {t('take off')}
      </Button>
    </Box>
  );
}
