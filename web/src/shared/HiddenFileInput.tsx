import type { Ref } from 'react';

/** What phones, cameras and scanners write. */
export const PHOTOS = 'image/jpeg,image/png,image/webp,image/heic,image/heif,image/tiff';

interface Props {
  /** File kinds offered, as the browser's `accept` takes them. */
  accept: string;
  onFile?: (file: File) => void;
  /** Where several can be chosen at once. */
  onFiles?: (files: File[]) => void;
  id?: string;
  ref?: Ref<HTMLInputElement>;
  testId?: string;
  label?: string;
}

/** The file chooser behind a button; the same file can be chosen again. */
export function HiddenFileInput({ accept, onFile, onFiles, id, ref, testId, label }: Props) {
  return (
    <input
      ref={ref}
      id={id}
      type="file"
      multiple={onFiles !== undefined}
      accept={accept}
      hidden
      data-testid={testId}
      aria-label={label}
      onChange={(event) => {
        const chosen = [...(event.target.files ?? [])];
        event.target.value = '';
        if (chosen[0]) onFile?.(chosen[0]);
        if (chosen.length) onFiles?.(chosen);
      }}
    />
  );
}
