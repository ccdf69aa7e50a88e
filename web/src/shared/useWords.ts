import { useCallback } from 'react';

import { words, type Message } from '../words/words';
import { useUnit } from './units';

/** Puts the program's texts into words for this reader; nothing for a text that is not there yet. */
export function useWords(): (message: Message | null | undefined) => string {
  const { unit } = useUnit();
  return useCallback((message) => (message ? words(message, unit) : ''), [unit]);
}
