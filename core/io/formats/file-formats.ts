import { failure, type Result } from 'core/result';
import type { FileKindName } from '../file-kinds';
import { MAX_FILE_BYTES } from '../text/decode';
import type { ReadOptions } from '../text/read-csv';
import { arrow } from './arrow';
import { csv } from './csv';
import type { Contents, FileFormat } from './format';
import { json } from './json';
import { parquet } from './parquet';
import { project } from './project';
import { gunzip, isGzip } from '../unpack';
import { workbook } from './workbook';

/** The readers of every kind of file. The last one takes files that no other recognises. */
export const fileFormats: readonly FileFormat[] = Object.values({
  project,
  workbook,
  parquet,
  arrow,
  json,
  csv,
} satisfies Readonly<Record<FileKindName, FileFormat>>);

// Enough to know a file by.
const HEAD_BYTES = 4096;

/** The format of a file: the one of its ending unless its first bytes contradict, else the first that its bytes match. */
export function formatFor(head: Uint8Array, file: string): FileFormat {
  const ending = /\.([^.]+)$/.exec(file)?.[1]?.toLowerCase() ?? '';
  const ofEnding = fileFormats.find(format => format.endings.includes(ending) && format.sniffs(head));
  return ofEnding ?? fileFormats.find(format => format.sniffs(head) && !format.endings.includes(ending)) ?? csv;
}

/** Reads a file of any known kind, with or without gzip. An exception in a reader becomes a problem of the file. */
export async function readFile(bytes: Uint8Array, file: string, options?: ReadOptions): Promise<Result<Contents>> {
  if (bytes.length > MAX_FILE_BYTES) return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  if (isGzip(bytes)) {
    const unpacked = await gunzip(bytes, file);
    return unpacked.ok ? read(unpacked.value, file.replace(/\.gz$/i, ''), options) : unpacked;
  }
  return read(bytes, file, options);
}

async function read(bytes: Uint8Array, file: string, options: ReadOptions | undefined): Promise<Result<Contents>> {
  const format = formatFor(bytes.subarray(0, HEAD_BYTES), file);
  try {
    return await format.read(bytes, file, options);
  } catch (error) {
    if (!(error instanceof RangeError)) return failure({ code: 'file-broken', file, what: format.name });
    // Out of memory, or of an array's length.
    return failure({ code: 'file-too-large', file, bytes: bytes.length, limit: MAX_FILE_BYTES });
  }
}
