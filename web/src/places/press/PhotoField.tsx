import Box from '@mui/material/Box';
import { useState } from 'react';
import { api, runPhoto, ServiceError } from '../../api/client';
import { colour } from '../../theme/tokens';
import { useRunStore } from './runStore';

const LARGEST_PHOTO = 12_000_000; // bytes, as the service has it

/** A photo of what came out: taken or chosen, checked by the service, shown as it was kept. */
export function PhotoField({ id }: { id: string }) {
  const photo = useRunStore((store) => store.photo);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState(0);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setProblem('');
    if (file.size > LARGEST_PHOTO) {
      setProblem(
        `${file.name} has ${Math.round(file.size / 1e6)} MB; a photo may have 12. Nothing was kept of it.`,
      );
      return;
    }
    setBusy(true);
    try {
      await api.keepRunPhoto(id, file);
      useRunStore.setState({ photo: true });
      setTaken(Date.now());
    } catch (error) {
      setProblem(
        error instanceof ServiceError ? error.message.replace(/^photo: /, 'The photo ') : String(error),
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box sx={{ fontSize: 18 }}>
      <label>
        A photo of it
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          onChange={(event) => void take(event.target.files?.[0])}
          style={{ display: 'block', marginTop: 6, font: 'inherit', fontSize: 15 }}
        />
      </label>
      {busy && <span role="status">Keeping the photo …</span>}
      {problem && (
        <Box role="alert" sx={{ color: colour.stop, fontSize: 16, marginTop: '6px' }}>
          {problem}
        </Box>
      )}
      {photo && (
        <img
          src={runPhoto(id, taken)}
          alt="What came out"
          style={{ display: 'block', maxWidth: '100%', maxHeight: 150, marginTop: 8 }}
        />
      )}
    </Box>
  );
}
