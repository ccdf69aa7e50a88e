/** Gives the user a file. */
export function download(content: Blob | string, name: string, type = 'text/plain'): void {
  const address = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}

/** A name as it is safe in every file system. */
export function fileName(name: string, ending: string): string {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return `${plain || 'sandwich'}.${ending}`;
}
