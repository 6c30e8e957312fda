import { Inflate, unzipSync } from 'fflate';
import { MAX_FILE_BYTES } from '../text/decode';
import { DEFLATED, directoryOf, packedBytes, STORED } from '../zip-directory';

// What a part of a workbook may unpack to.
const MOST = 2 * MAX_FILE_BYTES;

/** A part of a zipped workbook in pieces, with the share unpacked so far. */
export type Pieces = Iterable<readonly [bytes: Uint8Array, share: number]>;

/**
 * A part in pieces, of which no more than one is in memory; undefined where there is none. Names of parts count without regard to case (ISO/IEC 29500-2,
 * 6.2.2.3). Throws, while it is read, where it is broken or larger than a workbook may be. Cost: unpacking that part alone.
 */
export function partOf(bytes: Uint8Array, name: string): Pieces | undefined {
  const directory = directoryOf(bytes);
  if (!directory) {
    const whole = wholePart(bytes, name);
    return whole && [[whole, 1]];
  }
  const entry = directory.find(isCalled(name));
  if (!entry) return undefined;
  const packed = packedBytes(bytes, entry);
  if (entry.method === STORED) return [[packed, 1]];
  if (entry.method !== DEFLATED) throw new Error(`${name} is packed in a way that is not known`);
  return inflated(packed);
}

/** A part as a whole; undefined where it does not exist. Throws where it is broken or larger than a workbook may be. */
export function wholePart(bytes: Uint8Array, name: string): Uint8Array | undefined {
  const filter = (part: { readonly name: string; readonly originalSize: number }): boolean => {
    if (isCalled(name)(part) && part.originalSize > MOST) throw new RangeError(`${name} is too large`);
    return isCalled(name)(part);
  };
  return Object.values(unzipSync(bytes, { filter }))[0];
}

const isCalled =
  (wanted: string) =>
  ({ name }: { readonly name: string }): boolean =>
    name.toLowerCase() === wanted.toLowerCase();

// Packed bytes that are unpacked at once.
const STEP = 1 << 14;

function* inflated(packed: Uint8Array): Pieces {
  const pieces: Uint8Array[] = [];
  let total = 0;
  const inflate = new Inflate(piece => pieces.push(piece));
  for (let at = 0; at < packed.length; at += STEP) {
    const isLast = at + STEP >= packed.length;
    inflate.push(packed.subarray(at, at + STEP), isLast);
    for (const piece of pieces.splice(0)) {
      total += piece.length;
      if (total > MOST) throw new RangeError('a part is too large');
      yield [piece, isLast ? 1 : at / packed.length];
    }
  }
}
