import { failure, success, type FileProblem, type Result } from 'core/result';

/** How a file's bytes are read as text, and what had to be assumed. */
export interface Encoding {
  readonly label: 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';
  readonly notes: readonly FileProblem[];
}

export const MAX_FILE_BYTES = 512 * 1024 * 1024;

/** Thrown while pieces are read when bytes taken for UTF-8 turn out not to be. */
export class NotUtf8 extends Error {}

/** The encoding that a file's marks and size speak for: UTF-16 with its mark, else UTF-8. Binary is refused. */
export function encodingOf(bytes: Uint8Array, file: string): Result<Encoding> {
  if (bytes.length === 0) return failure({ code: 'file-empty', file });
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  const marked = utf16Of(bytes);
  if (marked) return success({ label: marked, notes: [] });
  const nul = bytes.indexOf(0);
  if (nul >= 0) return failure({ code: 'file-binary', file, line: linesBefore(bytes, nul) + 1 });
  return success({ label: 'utf-8', notes: [] });
}

/** What bytes that are not UTF-8 most likely are. */
export const westernEuropean: Encoding = { label: 'windows-1252', notes: [{ code: 'encoding-assumed', encoding: 'Western European' }] };

// Large enough to keep the tokenizer busy, small enough to report progress several times a second.
const PIECE_BYTES = 1 << 18;

/** The text piece by piece, so that a large file is never held twice. Throws `NotUtf8` where the bytes are not what they were taken for. */
export function* textPieces(bytes: Uint8Array, { label }: Encoding): Generator<string> {
  const decoder = new TextDecoder(label, { fatal: label === 'utf-8' });
  try {
    for (let at = 0; at < bytes.length; at += PIECE_BYTES) yield decoder.decode(bytes.subarray(at, at + PIECE_BYTES), { stream: true });
    yield decoder.decode();
  } catch (error) {
    if (error instanceof TypeError) throw new NotUtf8();
    throw error;
  }
}

/** The whole text; only where a message must name a line. */
export const wholeText = (bytes: Uint8Array, { label }: Encoding): string => new TextDecoder(label).decode(bytes);

function utf16Of(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  return bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : undefined;
}

function linesBefore(bytes: Uint8Array, end: number): number {
  let lines = 0;
  for (let i = 0; i < end; i++) if (bytes[i] === 10) lines++;
  return lines;
}
