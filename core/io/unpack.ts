import { failure, success, type Result } from 'core/result';
import { MAX_FILE_BYTES } from './decode';

/** Whether bytes begin as gzip does (RFC 1952). */
export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === 0x1f && bytes[1] === 0x8b;

/**
 * The bytes of a gzip file, its checksum tried. Problems: broken, or more unpacked than a file may have, of which no more is unpacked. Cost: one pass; memory
 * twice what is unpacked.
 */
export async function gunzip(bytes: Uint8Array, file: string, limit = MAX_FILE_BYTES): Promise<Result<Uint8Array>> {
  const stream = new Blob([bytes as BlobPart]).stream().pipeThrough(new DecompressionStream('gzip'));
  const reader = stream.getReader();
  const pieces: Uint8Array[] = [];
  let total = 0;
  try {
    for (let { done, value } = await reader.read(); !done && value; { done, value } = await reader.read()) {
      total += value.length;
      if (total > limit) {
        await reader.cancel();
        return failure({ code: 'unpacked-too-large', file, limit });
      }
      pieces.push(value);
    }
  } catch {
    return failure({ code: 'file-broken', file, what: 'gzip' });
  }
  return success(joined(pieces, total));
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
