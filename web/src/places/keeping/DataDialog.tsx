import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { ArchiveAnswer } from '../../api/gen/types.gen';
import { lookAtArchive, restore } from '../../api/gen/sdk.gen';
import { addresses } from '../../api/service';
import { colour } from '../../theme/tokens';
import { countsOf } from './counts';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { ServiceError, asSentence } from '../../api/refusal';
import { useWords } from '../../shared/useWords';
import { t } from '../../words/words';

type State =
  | { stage: 'idle' }
  | { stage: 'busy'; words: string }
  | { stage: 'refused'; words: string }
  | { stage: 'looked'; file: File; found: ArchiveAnswer }
  | { stage: 'taken'; found: ArchiveAnswer };

/** Everything that is yours in one file, and back: looked at first, taken in only when told to. */
export function DataDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [state, setState] = useState<State>({ stage: 'idle' });
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const attempt = async (words: string, work: () => Promise<State>) => {
    setState({ stage: 'busy', words });
    try {
      setState(await work());
    } catch (error) {
      if (!(error instanceof ServiceError)) throw error;
      setState({ stage: 'refused', words: asSentence(error, t('The file')) });
    }
  };
  const look = (file: File) =>
    attempt(t('Looking through it. Nothing has changed yet.'), async () => ({
      stage: 'looked',
      file,
      found: await lookAtArchive({ body: file }),
    }));
  const take = (file: File, clashes: 'keep' | 'take') =>
    attempt(t('Importing it, all or nothing.'), async () => {
      const found = await restore({ body: file, query: { clashes } });
      await client.invalidateQueries();
      return { stage: 'taken', found };
    });
  const close = () => {
    if (state.stage === 'busy') return;
    setState({ stage: 'idle' });
    onClose();
  };
  return (
    <Dialog open={open} onClose={close} maxWidth="sm" fullWidth transitionDuration={0}>
      <DialogTitle>{t('Your data')}</DialogTitle>
      <DialogContent sx={{ fontSize: 14.5 }}>
        <p style={{ marginTop: 0 }}>
          {t(
            'One file holds everything: shelf and presses, reliefs, sandwiches, plans, runs with their photos, plates with every mark, your settings. Move it to another machine, or keep it somewhere safe.',
          )}
        </p>
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
          <Button variant="contained" component="a" href={addresses.archive} download>
            {t('Save everything to a file')}
          </Button>
          <Button variant="outlined" disabled={state.stage === 'busy'} onClick={() => input.current?.click()}>
            {t('Import a file…')}
          </Button>
          <Box sx={{ flex: 1 }} />
          <Button color="inherit" onClick={close} disabled={state.stage === 'busy'}>
            {t('Close')}
          </Button>
        </Box>
        <HiddenFileInput
          ref={input}
          accept=".zip,application/zip"
          testId="archive-file"
          onFile={(file) => void look(file)}
        />
        <Box role="status" aria-live="polite" data-testid="archive-state" sx={{ marginTop: 2 }}>
          {state.stage === 'busy' && <span style={{ color: colour.quiet }}>{state.words}</span>}
          {state.stage === 'refused' && <span style={{ color: colour.stop }}>{state.words}</span>}
          {state.stage === 'looked' && (
            <Looked
              found={state.found}
              name={state.file.name}
              onTake={(clashes) => void take(state.file, clashes)}
            />
          )}
          {state.stage === 'taken' && (
            <b>
              {t('Imported:')} {countsOf(state.found.new) || t('nothing was new')}.
            </b>
          )}
        </Box>
      </DialogContent>
    </Dialog>
  );
}

interface LookedProps {
  found: ArchiveAnswer;
  name: string;
  onTake: (clashes: 'keep' | 'take') => void;
}

/** What a file holds beside what is here, and what can be done about it. */
function Looked({ found, name, onTake }: LookedProps) {
  const read = useWords();
  const fresh = countsOf(found.new);
  const same = countsOf(found.same);
  return (
    <>
      <p>
        <b>{name}</b>
        {t(', saved {part}.', { part: new Date(found.made_at).toLocaleString() })}{' '}
        {fresh ? `${t('New: {fresh}.', { fresh })} ` : t('Nothing in it is new here. ')}
        {same && `${t('Already here and the same: {same}.', { same })} `}
      </p>
      {found.clashing > 0 && (
        <>
          <p>{t('Here too, but different ({clashing}):', { clashing: found.clashing })}</p>
          <Box component="ul" sx={{ maxHeight: 150, overflowY: 'auto', marginTop: 0 }}>
            {found.clashes.map((clash) => (
              <li key={`${clash.kind} ${clash.id}`}>{clash.name}</li>
            ))}
          </Box>
        </>
      )}
      {found.unread > 0 && (
        <>
          <p>
            {found.unread === 1
              ? t("This version can't open one of them. The file keeps it exactly as it is:")
              : t("This version can't open {unread} of them. The file keeps them exactly as they are:", {
                  unread: found.unread,
                })}
          </p>
          <Box
            component="ul"
            sx={{ maxHeight: 110, overflowY: 'auto', marginTop: 0 }}
            data-testid="archive-unread"
          >
            {found.unreadable.map((part) => (
              <li key={`${part.kind} ${part.id}`}>
                {part.name}: {read(part.why)}
              </li>
            ))}
          </Box>
        </>
      )}
      <Box sx={{ display: 'flex', gap: 2 }}>
        <Button variant="contained" onClick={() => onTake('keep')}>
          {found.clashing > 0 ? t("Import what's new, keep mine") : t('Import it')}
        </Button>
        {found.clashing > 0 && (
          <Button variant="outlined" onClick={() => onTake('take')}>
            {t("Where they differ, use the file's")}
          </Button>
        )}
      </Box>
    </>
  );
}
