const INCH_CM = 2.54;
// Bytes of a PNG before its first chunk, and of its head, which always comes first.
const [SIGNATURE, HEAD] = [8, 25];

/** A PNG that says how many of its pixels make an inch, by ISO/IEC 15948: programs that print take it at its size. */
export function withResolution(png: Uint8Array, perInch: number): Uint8Array {
  const perMetre = Math.round((perInch * 100) / INCH_CM);
  const chunk = new Uint8Array(21);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, 9);
  chunk.set([0x70, 0x48, 0x59, 0x73], 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  chunk[16] = 1;
  view.setUint32(17, crcOf(chunk.subarray(4, 17)));
  const at = SIGNATURE + HEAD;
  const out = new Uint8Array(png.length + chunk.length);
  out.set(png.subarray(0, at));
  out.set(chunk, at);
  out.set(png.subarray(at), at + chunk.length);
  return out;
}

/** The checksum of a chunk. */
function crcOf(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

/** A width that a picture is wanted in. */
export interface PictureWidth {
  readonly amount: number;
  readonly unit: 'px' | 'cm';
  /** Pixels to an inch; for centimetres alone. */
  readonly perInch: number;
}

/** Pixels that a width is. */
export const pixelsOf = ({ amount, unit, perInch }: PictureWidth): number =>
  Math.max(1, Math.round(unit === 'px' ? amount : (amount / INCH_CM) * perInch));
