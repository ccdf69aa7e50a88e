import Button, { type ButtonProps } from '@mui/material/Button';
import type { Suggestion } from '../api/client';
import { localise, useUnit } from '../shared/units';
import { useEditor } from './store';

interface Props extends ButtonProps {
  suggestion: Suggestion;
}

/** Carries a suggestion out on the sandwich on the bench. */
export function SuggestionButton({ suggestion, ...look }: Props) {
  const unit = useUnit((choice) => choice.unit);
  const edit = useEditor((editor) => editor.edit);
  return (
    <Button {...look} onClick={() => edit(suggestion.edits)}>
      {localise(suggestion.label, unit)}
    </Button>
  );
}
