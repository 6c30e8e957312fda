/** A file within a zip, as the zip's directory has it. */
export interface ZipEntry {
  readonly name: string;
  /** How it is packed: `STORED`, `DEFLATED`, or in a way that is rarer. */
  readonly method: number;
  readonly packedSize: number;
  /** Where its local header begins. */
  readonly local: number;
}

// Signatures and the lengths of what they begin (APPNOTE 4.3.7, 4.3.12, 4.3.16).
const [LOCAL, DIRECTORY, END] = [0x04034b50, 0x02014b50, 0x06054b50];
const [LOCAL_LENGTH, DIRECTORY_LENGTH, END_LENGTH] = [30, 46, 22];
const MOST_COMMENT = 65_535;
/** Ways of packing (APPNOTE 4.4.5). */
export const [STORED, DEFLATED] = [0, 8];
// What stands in the place of a number that is told elsewhere.
const ELSEWHERE = 0xffffffff;

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** The directory of a zip; null where it is not as plain as it can be. Cost: a look at the headers. */
export function directoryOf(bytes: Uint8Array): readonly ZipEntry[] | null {
  const view = viewOf(bytes);
  let end = bytes.length - END_LENGTH;
  while (end >= 0 && end >= bytes.length - END_LENGTH - MOST_COMMENT && view.getUint32(end, true) !== END) end--;
  if (end < 0 || view.getUint32(end, true) !== END) return null;
  const entries: ZipEntry[] = [];
  let at = view.getUint32(end + 16, true);
  for (let count = view.getUint16(end + 10, true); count > 0; count--) {
    if (at + DIRECTORY_LENGTH > bytes.length || view.getUint32(at, true) !== DIRECTORY) return null;
    const [packedSize, local] = [view.getUint32(at + 20, true), view.getUint32(at + 42, true)];
    if (packedSize === ELSEWHERE || local + LOCAL_LENGTH > bytes.length || view.getUint32(local, true) !== LOCAL) return null;
    const nameLength = view.getUint16(at + 28, true);
    const name = new TextDecoder().decode(bytes.subarray(at + DIRECTORY_LENGTH, at + DIRECTORY_LENGTH + nameLength));
    entries.push({ name, method: view.getUint16(at + 10, true), packedSize, local });
    at += DIRECTORY_LENGTH + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}

/** The size that a file's own header names; null where it names none. */
export function namedSizeOf(bytes: Uint8Array, { local }: ZipEntry): number | null {
  const view = viewOf(bytes);
  const size = view.getUint32(local + 22, true);
  // Of what is packed and named as nothing a reader takes as much as comes.
  return size === ELSEWHERE || (size === 0 && view.getUint16(local + 8, true) !== STORED) ? null : size;
}

/** The bytes of a file as they are packed. */
export function packedBytes(bytes: Uint8Array, { local, packedSize }: ZipEntry): Uint8Array {
  const view = viewOf(bytes);
  const from = local + LOCAL_LENGTH + view.getUint16(local + 26, true) + view.getUint16(local + 28, true);
  return bytes.subarray(from, from + packedSize);
}
