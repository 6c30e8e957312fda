import { Gunzip } from 'fflate';
import { failure, success, type Result } from 'core/result';
import { MAX_FILE_BYTES } from './text/decode';

/** Whether bytes begin as gzip does (RFC 1952). */
export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === 0x1f && bytes[1] === 0x8b;

/**
 * The bytes of a gzip file, its checksums tried; several members behind each other are one file (RFC 1952, 2.2). Problems: broken, or more unpacked than a
 * file may have, of which no more is unpacked. Cost: one pass, two where there are several members; memory twice what is unpacked.
 */
export async function gunzip(bytes: Uint8Array, file: string, limit = MAX_FILE_BYTES): Promise<Result<Uint8Array>> {
  const one = await unpacked([bytes], file, limit);
  if (one.ok || one.problems[0]?.code !== 'file-broken') return one;
  const members = membersOf(bytes, limit);
  return members.length > 1 ? unpacked(members, file, limit) : one;
}

async function unpacked(members: readonly Uint8Array[], file: string, limit: number): Promise<Result<Uint8Array>> {
  const pieces: Uint8Array[] = [];
  let total = 0;
  try {
    for (const member of members) {
      const reader = new Blob([member as BlobPart]).stream().pipeThrough(new DecompressionStream('gzip')).getReader();
      for (let { done, value } = await reader.read(); !done && value; { done, value } = await reader.read()) {
        total += value.length;
        if (total > limit) {
          await reader.cancel();
          return failure({ code: 'unpacked-too-large', file, limit });
        }
        pieces.push(value);
      }
    }
  } catch {
    return failure({ code: 'file-broken', file, what: 'gzip' });
  }
  return success(joined(pieces, total));
}

// Packed bytes taken at a time: what they unpack to is counted before more is taken.
const STEP = 1 << 16;

/** The members of a gzip file, each from its first byte to the next; a broken one is the last. */
function membersOf(bytes: Uint8Array, limit: number): Uint8Array[] {
  const starts: number[] = [0];
  let total = 0;
  const finder = new Gunzip(piece => (total += piece.length));
  finder.onmember = start => start > 0 && starts.push(start);
  try {
    for (let at = 0; at < bytes.length && total <= limit; at += STEP) finder.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
  } catch {
    // What was found until then is tried by its checksum.
  }
  return starts.map((start, i) => bytes.subarray(start, starts[i + 1]));
}

function joined(pieces: readonly Uint8Array[], total: number): Uint8Array {
  const whole = new Uint8Array(total);
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
