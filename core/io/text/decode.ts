import { analyse } from 'chardet';
import { failure, success, type FileProblem, type Result } from 'core/result';
import { ENCODINGS, type EncodingName } from 'core/table';

/** The encoding of a file, and what was assumed about it. */
export interface Encoding {
  readonly label: EncodingName | 'utf-32le' | 'utf-32be';
  /** Invalid UTF-8 becomes a replacement character instead of an error. */
  readonly lenient: boolean;
  readonly notes: readonly FileProblem[];
}

/** Most bytes of a file. */
export const MAX_FILE_BYTES = 512 * 1024 * 1024;

/** Thrown while reading when bytes assumed to be UTF-8 are not. */
export class NotUtf8 extends Error {}

/** The encoding from a file's byte order mark and size: UTF-32 or UTF-16 with a mark, else UTF-8. Binary files are refused. */
export function encodingOf(bytes: Uint8Array, file: string): Result<Encoding> {
  if (bytes.length === 0) return failure({ code: 'file-empty', file });
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  const marked = markOf(bytes);
  if (marked) return success({ label: marked, lenient: false, notes: [] });
  const nul = bytes.indexOf(0);
  const wide = nul >= 0 ? unmarkedWide(bytes) : undefined;
  if (wide) return success({ label: wide, lenient: false, notes: [{ code: 'encoding-assumed', encoding: ENCODING_WORDS[wide] }] });
  if (nul >= 0) return failure({ code: 'file-binary', file, line: linesBefore(bytes, nul) + 1 });
  return success({ label: 'utf-8', lenient: false, notes: [] });
}

/** A file in an encoding chosen by the analyst; invalid bytes become replacement characters. */
export function encodingAs(bytes: Uint8Array, file: string, label: EncodingName): Result<Encoding> {
  if (bytes.length === 0) return failure({ code: 'file-empty', file });
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  return success({ label, lenient: true, notes: [] });
}

/** Names of encodings for people. */
export const ENCODING_WORDS: Readonly<Record<EncodingName, string>> = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16, low byte first',
  'utf-16be': 'UTF-16, high byte first',
  'windows-1252': 'Western European',
  'windows-1250': 'Central European',
  'windows-1251': 'Cyrillic',
  'windows-1253': 'Greek',
  'windows-1254': 'Turkish',
  'iso-8859-2': 'Central European (ISO 8859-2)',
  'koi8-r': 'Cyrillic (KOI8-R)',
  shift_jis: 'Japanese (Shift JIS)',
  'euc-jp': 'Japanese (EUC)',
  gb18030: 'Chinese, simplified',
  big5: 'Chinese, traditional',
  'euc-kr': 'Korean',
};

// Bytes that are looked at to tell an encoding.
const PROBE_BYTES = 64 * 1024;

/** UTF-16 without a byte order mark: in most texts nearly every second byte is 0. */
function unmarkedWide(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  const probe = bytes.subarray(0, PROBE_BYTES & ~1);
  const zeros = [0, 0];
  for (let i = 0; i < probe.length; i++) if (probe[i] === 0) zeros[i % 2] = (zeros[i % 2] as number) + 1;
  const [even, odd] = zeros.map(count => count / (probe.length / 2)) as [number, number];
  if (bytes.length % 2 || Math.max(even, odd) < 0.4 || Math.min(even, odd) > 0.02) return undefined;
  return odd > even ? 'utf-16le' : 'utf-16be';
}

// Names under which the detector knows what a browser decodes by another name.
const SAME: Readonly<Record<string, EncodingName>> = {
  'iso-8859-1': 'windows-1252',
  'iso-8859-7': 'windows-1253',
  'iso-8859-9': 'windows-1254',
};
// Letters of single bytes look alike in many encodings: only a clear finding speaks against Western European.
const CLEARLY = 12;

/** The most likely encoding by the detector's letter statistics; Western European when nothing contradicts it. */
function likeliest(bytes: Uint8Array): EncodingName {
  const found = analyse(bytes.subarray(0, PROBE_BYTES)).flatMap(({ name, confidence }) => {
    const small = name.toLowerCase();
    const known = SAME[small] ?? ENCODINGS.find(encoding => encoding === small);
    return known && !known.startsWith('utf') ? [{ known, confidence }] : [];
  });
  const western = found.find(({ known }) => known === 'windows-1252')?.confidence ?? 0;
  const [first] = found;
  return first && first.confidence >= western + CLEARLY ? first.known : 'windows-1252';
}

/**
 * The likely encoding of bytes that are not UTF-8: UTF-8 with a few bad bytes where it has valid multi-byte letters, else what the detector finds,
 * else Western European.
 */
export function secondGuess(bytes: Uint8Array): Encoding {
  const { letters, faults, firstFault } = utf8Evidence(bytes);
  if (letters > faults)
    return {
      label: 'utf-8',
      lenient: true,
      notes: [{ code: 'bytes-unreadable', count: faults, line: linesBefore(bytes, firstFault) + 1 }],
    };
  const label = likeliest(bytes);
  return { label, lenient: false, notes: [{ code: 'encoding-assumed', encoding: ENCODING_WORDS[label] }] };
}

/** Counts of valid multi-byte letters and of invalid bytes in UTF-8. */
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

/** The text in pieces, so that a large file is never in memory twice. Throws `NotUtf8` where bytes are not in the assumed encoding. */
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

/** UTF-32 text after its mark; invalid values become replacement characters. */
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

/** The whole text, for messages that name a line. */
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
