import type { Ref } from 'react';

interface Props {
  /** File kinds offered, as the browser's `accept` takes them. */
  accept: string;
  onFile: (file: File) => void;
  id?: string;
  ref?: Ref<HTMLInputElement>;
  testId?: string;
  label?: string;
}

/** The file chooser behind a button; the same file can be chosen again. */
export function HiddenFileInput({ accept, onFile, id, ref, testId, label }: Props) {
  return (
    <input
      ref={ref}
      id={id}
      type="file"
      accept={accept}
      hidden
      data-testid={testId}
      aria-label={label}
      onChange={(event) => {
        const chosen = event.target.files?.[0];
        event.target.value = '';
        if (chosen) onFile(chosen);
      }}
    />
  );
}
