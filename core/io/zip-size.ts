import { Unzip, UnzipInflate } from 'fflate';
import { directoryOf, namedSizeOf } from './zip-directory';

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

/** What the local headers of a zip say that its files unpack to together; null where one does not say it, or where they cannot be found. */
function namedSize(bytes: Uint8Array): number | null {
  let total = 0;
  for (const entry of directoryOf(bytes) ?? [null]) {
    const size = entry && namedSizeOf(bytes, entry);
    if (size === null) return null;
    total += size;
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
