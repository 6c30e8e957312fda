import { Unzip, UnzipInflate } from 'fflate';

// Packed bytes taken at a time: what they unpack to is counted before more is taken.
const STEP = 1 << 16;

/** Whether a zip unpacks to more than a limit, whatever its headers say of it. Cost: unpacking up to the limit, nothing kept. */
export function isBomb(bytes: Uint8Array, limit: number): boolean {
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
