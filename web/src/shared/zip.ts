/** Files as one zip file, stored as they are: photos are compressed already. (PKWARE's APPNOTE 6.3: local headers, then the directory.) */
export async function zipped(files: File[]): Promise<Blob> {
  const parts: BlobPart[] = [];
  const directory: Uint8Array<ArrayBuffer>[] = [];
  let offset = 0;
  for (const [index, file] of files.entries()) {
    const data = new Uint8Array(await file.arrayBuffer());
    const suffix = /\.[a-z0-9]{1,5}$/i.exec(file.name)?.[0] ?? '';
    const name = new TextEncoder().encode(`${String(index + 1).padStart(2, '0')}${suffix}`);
    const about: [number, number][] = [
      [20, 2], // version that reads it
      [0, 2],
      [0, 2], // stored
      [0, 4], // no time
      [crc32(data), 4],
      [data.length, 4],
      [data.length, 4],
      [name.length, 2],
      [0, 2],
    ];
    const head = numbers([[0x04034b50, 4], ...about]);
    directory.push(
      numbers([[0x02014b50, 4], [20, 2], ...about, [0, 2], [0, 2], [0, 2], [0, 4], [offset, 4]]),
      name,
    );
    parts.push(head, name, data);
    offset += head.length + name.length + data.length;
  }
  const long = directory.reduce((sum, each) => sum + each.length, 0);
  const end = numbers([
    [0x06054b50, 4],
    [0, 4],
    [files.length, 2],
    [files.length, 2],
    [long, 4],
    [offset, 4],
    [0, 2],
  ]);
  return new Blob([...parts, ...directory, end], { type: 'application/zip' });
}

/** Whole numbers of 2 or 4 bytes, the lowest byte first. */
function numbers(values: [number, number][]): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(values.reduce((sum, [, bytes]) => sum + bytes, 0));
  const view = new DataView(out.buffer);
  let at = 0;
  for (const [value, bytes] of values) {
    if (bytes === 2) view.setUint16(at, value, true);
    else view.setUint32(at, value >>> 0, true);
    at += bytes;
  }
  return out;
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

function crc32(data: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of data) c = (TABLE[(c ^ byte) & 0xff] ?? 0) ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
