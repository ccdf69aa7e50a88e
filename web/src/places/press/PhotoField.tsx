import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { keepRunPhoto } from '../../api/gen/sdk.gen';
import { addresses } from '../../api/service';
import { asSentence } from '../../api/refusal';
import { HiddenFileInput } from '../../shared/HiddenFileInput';
import { colour } from '../../theme/tokens';
import { useRunStore } from './runStore';
import { t } from '../../words/words';

const LARGEST_PHOTO = 12_000_000; // bytes, as the service has it

interface Props {
  id: string;
  onTaken?: (file: File) => void;
  /** What can be done with a photo that was just taken. */
  children?: ReactNode;
}

/** A photo of what came out: taken or chosen, checked by the service, shown as it was kept. */
export function PhotoField({ id, onTaken, children }: Props) {
  const photo = useRunStore((store) => store.photo);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState(0);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setProblem('');
    if (file.size > LARGEST_PHOTO) {
      setProblem(
        t("{name} has {size} MB; a photo can have 12. It wasn't saved.", {
          name: file.name,
          size: Math.round(file.size / 1e6),
        }),
      );
      return;
    }
    setBusy(true);
    try {
      await keepRunPhoto({ path: { run_id: id }, body: file });
      useRunStore.setState({ photo: true });
      setTaken(Date.now());
      onTaken?.(file);
    } catch (error) {
      setProblem(error instanceof Error ? asSentence(error, t('The photo')) : String(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box sx={{ fontSize: 18 }}>
      <Button component="label" variant="outlined" sx={{ fontSize: 17, padding: '6px 14px' }}>
        {photo ? t('Another photo') : t('A photo')}
        <HiddenFileInput
          accept="image/jpeg,image/png,image/webp"
          label={t('A photo')}
          onFile={(file) => void take(file)}
        />
      </Button>
      {children}
      {busy && <span role="status">{t('Saving the photo …')}</span>}
      {problem && (
        <Box role="alert" sx={{ color: colour.stop, fontSize: 16, marginTop: '6px' }}>
          {problem}
        </Box>
      )}
      {photo && (
        <img
          src={addresses.photo(id, taken)}
          alt={t('What came out')}
          style={{ display: 'block', maxWidth: '100%', maxHeight: 150, marginTop: 8 }}
        />
      )}
    </Box>
  );
}
