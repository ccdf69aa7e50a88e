import { HiddenFileInput } from '../../shared/HiddenFileInput';

interface Props {
  id: string;
  onFile: (file: File) => void;
}

/** The hidden input behind "Import a file". */
export function ImportInput({ id, onFile }: Props) {
  return <HiddenFileInput id={id} accept=".json,application/json" testId="import-file" onFile={onFile} />;
}
