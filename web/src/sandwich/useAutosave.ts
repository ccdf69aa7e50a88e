import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { SANDWICHES } from '../api/queries';
import { saveNow } from './saving';
import { useEditor } from './store';

const PAUSE = 500;
const AGAIN = 1500;

/** Saves the sandwich a moment after each change, again and again while the service is away. */
export function useAutosave(): void {
  const client = useQueryClient();
  const sandwich = useEditor((editor) => editor.sandwich);
  const version = useEditor((editor) => editor.version);
  const saveState = useEditor((editor) => editor.saveState);

  useEffect(() => {
    if (saveState !== 'unsaved' && saveState !== 'offline') return;
    const run = async () => {
      if (await saveNow()) await client.invalidateQueries({ queryKey: SANDWICHES });
    };
    const timer = setTimeout(() => void run(), saveState === 'offline' ? AGAIN : PAUSE);
    return () => clearTimeout(timer);
  }, [client, sandwich, version, saveState]);
}
