/** What a data address holds, as a file. */
export function fileAt(address: string): Blob {
  const [head = '', body = ''] = address.split(',');
  const type = head.slice('data:'.length).replace(';base64', '');
  return new Blob([Uint8Array.from(atob(body), (letter) => letter.charCodeAt(0))], { type });
}
