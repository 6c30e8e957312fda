import { failure, success, type FileProblem, type Result } from 'core/result';

/** A file's text, and what had to be assumed to read it. */
export interface DecodedText {
  readonly text: string;
  readonly notes: readonly FileProblem[];
}

export const MAX_FILE_BYTES = 512 * 1024 * 1024;

/** Bytes as text: UTF-8 with or without mark, UTF-16 with mark, else Western European with a note. Binary is refused. */
export function decodeText(bytes: Uint8Array, file: string): Result<DecodedText> {
  if (bytes.length === 0) return failure({ code: 'file-empty', file });
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  const marked = utf16Of(bytes);
  if (marked) return success({ text: new TextDecoder(marked).decode(bytes), notes: [] });
  const nul = bytes.indexOf(0);
  if (nul >= 0) return failure({ code: 'file-binary', file, line: linesBefore(bytes, nul) + 1 });
  return success(
    utf8Of(bytes) ?? {
      text: new TextDecoder('windows-1252').decode(bytes),
      notes: [{ code: 'encoding-assumed', encoding: 'Western European' }],
    },
  );
}

function utf16Of(bytes: Uint8Array): string | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  return bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : undefined;
}

function utf8Of(bytes: Uint8Array): DecodedText | undefined {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), notes: [] };
  } catch {
    return undefined;
  }
}

function linesBefore(bytes: Uint8Array, end: number): number {
  let lines = 0;
  for (let i = 0; i < end; i++) if (bytes[i] === 10) lines++;
  return lines;
}
