interface Props {
  id: string;
  onFile: (file: File) => void;
}

/** The hidden input behind "Import a file". */
export function ImportInput({ id, onFile }: Props) {
  return (
    <input
      id={id}
      type="file"
      accept=".json,application/json"
      hidden
      data-testid="import-file"
      onChange={(event) => {
        const chosen = event.target.files?.[0];
        event.target.value = '';
        if (chosen) onFile(chosen);
      }}
    />
  );
}
