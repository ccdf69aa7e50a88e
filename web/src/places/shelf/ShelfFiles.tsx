import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { importShelf } from '../../api/gen/sdk.gen';
import { ServiceError } from '../../api/refusal';
import { addresses } from '../../api/service';
import { markOf, once } from '../../api/once';
import { SHELF } from '../../api/queries';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { t } from '../../words/words';

/** Things from a file onto the shelf. */
export function ShelfIn() {
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const take = async (file: File) => {
    try {
      const found = await once('shelf file', markOf(file), (headers) =>
        importShelf({ body: file, query: { take: true }, headers }),
      );
      await client.invalidateQueries({ queryKey: SHELF });
      const count = found.presses + found.items + found.inks;
      say(t('Added {count} items of “{name}” to the shelf.', { count, name: file.name }));
    } catch (error) {
      if (!(error instanceof ServiceError)) throw error;
      say(
        t('{name}: {message} Nothing was added to the shelf.', { name: file.name, message: error.message }),
      );
    }
  };
  return (
    <>
      <Button onClick={() => input.current?.click()} sx={{ padding: 0, minWidth: 0 }}>
        {t('Add from a file…')}
      </Button>
      <HiddenFileInput
        ref={input}
        accept=".csv,.json,text/csv,application/json"
        testId="shelf-file"
        onFile={(file) => void take(file)}
      />
    </>
  );
}

/** The whole shelf as a file. */
export function ShelfOut() {
  return (
    <Box sx={{ fontSize: 13.5, color: colour.quiet, whiteSpace: 'nowrap' }}>
      {t('Save as')}{' '}
      <a href={addresses.shelf('csv')} download style={{ color: colour.accent }}>
        {t('CSV')}
      </a>{' '}
      {t('or')}{' '}
      <a href={addresses.shelf('json')} download style={{ color: colour.accent }}>
        {t('JSON')}
      </a>
    </Box>
  );
}
