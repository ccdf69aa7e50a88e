import Button, { type ButtonProps } from '@mui/material/Button';
import type { Suggestion } from '../api/gen/types.gen';
import { useWords } from '../shared/useWords';
import { useEditor } from './store';

interface Props extends ButtonProps {
  suggestion: Suggestion;
}

/** Carries a suggestion out on the sandwich on the bench. */
export function SuggestionButton({ suggestion, ...look }: Props) {
  const read = useWords();
  const edit = useEditor((editor) => editor.edit);
  return (
    <Button {...look} onClick={() => edit(suggestion.edits)}>
      {read(suggestion.label)}
    </Button>
  );
}
