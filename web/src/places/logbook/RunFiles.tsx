import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { importRuns } from '../../api/gen/sdk.gen';
import type { RunsTaken } from '../../api/gen/types.gen';
import { RUNS } from '../../api/queries';
import { told } from '../../api/refusal';
import { addresses } from '../../api/service';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { say } from '../../shared/notices';
import { colour } from '../../theme/tokens';
import { t } from '../../words/words';

/** Runs as files, out and in; what a file holds is shown before any of it is kept. */
export function RunFiles({ total, narrowed }: { total: number; narrowed: boolean }) {
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const [looked, setLooked] = useState<{ file: File; found: RunsTaken }>();
  const [busy, setBusy] = useState(false);
  const send = async (file: File, take: boolean) => {
    setBusy(true);
    try {
      const found = await importRuns({ body: file, query: { take } });
      if (!take) {
        setLooked({ file, found });
        return;
      }
      setLooked(undefined);
      await client.invalidateQueries({ queryKey: RUNS });
      say(t('Added {count} runs from “{name}”.', { count: found.runs - found.here, name: file.name }));
    } catch (error) {
      setLooked(undefined);
      say(t('{name}: {message} No run was added.', { name: file.name, message: told(error) }));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box sx={{ fontSize: 13.5, color: colour.quiet }}>
      {!narrowed && total > 0 && (
        <>
          {t('Save all as')}{' '}
          <a href={addresses.runs('csv')} download style={{ color: colour.accent }}>
            {t('CSV')}
          </a>{' '}
          {t('or')}{' '}
          <a href={addresses.runs('json')} download style={{ color: colour.accent }}>
            {t('JSON')}
          </a>
        </>
      )}
      <Button disabled={busy} onClick={() => input.current?.click()}>
        {busy ? t('Reading …') : t('Add from a file…')}
      </Button>
      <HiddenFileInput
        ref={input}
        accept=".csv,.json,text/csv,application/json"
        testId="runs-file"
        onFile={(file) => void send(file, false)}
      />
      {looked && (
        <Box role="alert" sx={{ color: colour.ink, maxWidth: 560, padding: '6px 0' }}>
          {t('“{name}” has {runs} runs. {here} of them are here already.', {
            name: looked.file.name,
            runs: looked.found.runs,
            here: looked.found.here,
          })}{' '}
          {looked.found.names.length > 0 &&
            t('The first: {names}.', { names: looked.found.names.slice(0, 4).join(', ') })}{' '}
          {looked.found.unread.length > 0 &&
            t("The columns {columns} aren't used.", { columns: looked.found.unread.join(', ') })}
          <Box>
            <Button
              variant="contained"
              disabled={busy || looked.found.runs === looked.found.here}
              onClick={() => void send(looked.file, true)}
            >
              {t('Add {count} of them', { count: looked.found.runs - looked.found.here })}
            </Button>
            <Button color="inherit" onClick={() => setLooked(undefined)}>
              {t("Don't add any")}
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}
