import { failure, success, type FileProblem, type Result } from 'core/result';

/** How a file's bytes are read as text, and what had to be assumed. */
export interface Encoding {
  readonly label: 'utf-8' | 'utf-16le' | 'utf-16be' | 'utf-32le' | 'utf-32be' | 'windows-1252';
  /** Bytes that are no UTF-8 become a mark of their own instead of ending the reading. */
  readonly lenient: boolean;
  readonly notes: readonly FileProblem[];
}

/** Bytes that a file may have. */
export const MAX_FILE_BYTES = 512 * 1024 * 1024;

/** Thrown while pieces are read when bytes taken for UTF-8 turn out not to be. */
export class NotUtf8 extends Error {}

/** The encoding that a file's marks and size speak for: UTF-32 or UTF-16 with its mark, else UTF-8. Binary is refused. */
export function encodingOf(bytes: Uint8Array, file: string): Result<Encoding> {
  if (bytes.length === 0) return failure({ code: 'file-empty', file });
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  const marked = markOf(bytes);
  if (marked) return success({ label: marked, lenient: false, notes: [] });
  const nul = bytes.indexOf(0);
  if (nul >= 0) return failure({ code: 'file-binary', file, line: linesBefore(bytes, nul) + 1 });
  return success({ label: 'utf-8', lenient: false, notes: [] });
}

/**
 * What bytes that are not UTF-8 most likely are: UTF-8 with a few bad bytes where letters of several bytes are there as well, else Western European.
 */
export function secondGuess(bytes: Uint8Array): Encoding {
  const { letters, faults, firstFault } = utf8Evidence(bytes);
  if (letters > faults)
    return {
      label: 'utf-8',
      lenient: true,
      notes: [{ code: 'bytes-unreadable', count: faults, line: linesBefore(bytes, firstFault) + 1 }],
    };
  return { label: 'windows-1252', lenient: false, notes: [{ code: 'encoding-assumed', encoding: 'Western European' }] };
}

/** Letters of several bytes that are well-formed UTF-8, and bytes that are not. */
function utf8Evidence(bytes: Uint8Array): { letters: number; faults: number; firstFault: number } {
  let [letters, faults, firstFault] = [0, 0, 0];
  for (let at = 0; at < bytes.length;) {
    const lead = bytes[at] as number;
    const length = lead < 0x80 ? 1 : lead >= 0xf0 && lead < 0xf5 ? 4 : lead >= 0xe0 ? 3 : lead >= 0xc2 ? 2 : 0;
    const whole = length > 0 && lead < 0xf5 && isContinued(bytes, at, length);
    if (whole && length > 1) letters++;
    if (!whole && faults++ === 0) firstFault = at;
    at += whole ? length : 1;
  }
  return { letters, faults, firstFault };
}

function isContinued(bytes: Uint8Array, at: number, length: number): boolean {
  for (let i = 1; i < length; i++) if (((bytes[at + i] ?? 0) & 0xc0) !== 0x80) return false;
  return true;
}

// Large enough to keep the tokenizer busy, small enough to report progress several times a second.
const PIECE_BYTES = 1 << 18;

/** The text piece by piece, so that a large file is never held twice. Throws `NotUtf8` where the bytes are not what they were taken for. */
export function* textPieces(bytes: Uint8Array, encoding: Encoding): Generator<string> {
  const { label, lenient } = encoding;
  if (label === 'utf-32le' || label === 'utf-32be') {
    yield* utf32Pieces(bytes, label === 'utf-32le');
    return;
  }
  const decoder = new TextDecoder(label, { fatal: label === 'utf-8' && !lenient });
  try {
    for (let at = 0; at < bytes.length; at += PIECE_BYTES) yield decoder.decode(bytes.subarray(at, at + PIECE_BYTES), { stream: true });
    yield decoder.decode();
  } catch (error) {
    if (error instanceof TypeError) throw new NotUtf8();
    throw error;
  }
}

/** Four bytes a character, behind the mark; what is no character becomes the mark of one that is missing. */
function* utf32Pieces(bytes: Uint8Array, little: boolean): Generator<string> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let from = 4; from < bytes.length; from += PIECE_BYTES) {
    let piece = '';
    for (let at = from; at + 3 < Math.min(bytes.length, from + PIECE_BYTES); at += 4) {
      const code = view.getUint32(at, little);
      piece += String.fromCodePoint(code <= 0x10ffff && !(code >= 0xd800 && code < 0xe000) ? code : 0xfffd);
    }
    yield piece;
  }
}

/** The whole text; only where a message must name a line. */
export const wholeText = (bytes: Uint8Array, encoding: Encoding): string => [...textPieces(bytes, { ...encoding, lenient: true })].join('');

function markOf(bytes: Uint8Array): Encoding['label'] | undefined {
  const [a, b, c, d] = bytes;
  if (a === 0xff && b === 0xfe) return c === 0 && d === 0 && bytes.length % 4 === 0 ? 'utf-32le' : 'utf-16le';
  if (a === 0 && b === 0 && c === 0xfe && d === 0xff) return 'utf-32be';
  return a === 0xfe && b === 0xff ? 'utf-16be' : undefined;
}

function linesBefore(bytes: Uint8Array, end: number): number {
  let lines = 0;
  for (let i = 0; i < end; i++) if (bytes[i] === 10) lines++;
  return lines;
}
