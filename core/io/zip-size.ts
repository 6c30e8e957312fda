import { Unzip, UnzipInflate } from 'fflate';

// Packed bytes taken at a time: what they unpack to is counted before more is taken.
const STEP = 1 << 16;

/**
 * Whether a zip unpacks to more than a limit, for a reader that never writes beyond the size that a file's own header names, as the one of workbooks does.
 * Where each header names a size their sum tells; where one names none, or the directory is not as plain as it can be, whatever the headers say is no
 * matter. Cost: a look at the headers; else unpacking up to the limit, nothing kept.
 */
export function isBomb(bytes: Uint8Array, limit: number): boolean {
  const named = namedSize(bytes);
  return named === null ? unpacksBeyond(bytes, limit) : named > limit;
}

// Signatures and the lengths of what they begin (APPNOTE 4.3.7, 4.3.12, 4.3.16).
const [LOCAL, DIRECTORY, END] = [0x04034b50, 0x02014b50, 0x06054b50];
const [LOCAL_LENGTH, DIRECTORY_LENGTH, END_LENGTH] = [30, 46, 22];
const MOST_COMMENT = 65_535;
const STORED = 0;
// What stands in the place of a size that is named elsewhere.
const ELSEWHERE = 0xffffffff;

/** What the local headers of a zip say that its files unpack to together; null where one does not say it, or where they cannot be found. */
function namedSize(bytes: Uint8Array): number | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - END_LENGTH;
  while (end >= 0 && end >= bytes.length - END_LENGTH - MOST_COMMENT && view.getUint32(end, true) !== END) end--;
  if (end < 0 || view.getUint32(end, true) !== END) return null;
  const count = view.getUint16(end + 10, true);
  let [at, total] = [view.getUint32(end + 16, true), 0];
  for (let i = 0; i < count; i++) {
    if (at + DIRECTORY_LENGTH > bytes.length || view.getUint32(at, true) !== DIRECTORY) return null;
    const local = view.getUint32(at + 42, true);
    if (local + LOCAL_LENGTH > bytes.length || view.getUint32(local, true) !== LOCAL) return null;
    const size = view.getUint32(local + 22, true);
    // Of what is packed and named as nothing the reader takes as much as comes.
    if (size === ELSEWHERE || (size === 0 && view.getUint16(local + 8, true) !== STORED)) return null;
    total += size;
    at += DIRECTORY_LENGTH + view.getUint16(at + 28, true) + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return total;
}

function unpacksBeyond(bytes: Uint8Array, limit: number): boolean {
  let total = 0;
  const unzip = new Unzip(file => {
    file.ondata = (error, piece) => {
      total += error ? 0 : piece.length;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  for (let at = 0; at < bytes.length && total <= limit; at += STEP) unzip.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
  return total > limit;
}
