import type { Result } from 'core/result';
import type { ReadOptions } from '../read-csv';
import { csv } from './csv';
import type { Contents, FileFormat } from './format';
import { project } from './project';

/** Every kind of file that can be opened. The last one takes what no other claims. */
export const fileFormats: readonly FileFormat[] = [project, csv];

// Enough to know a file by.
const HEAD_BYTES = 4096;

/** The format of a file: the one of its ending that its first bytes do not speak against, else the first that they speak for. */
export function formatFor(head: Uint8Array, file: string): FileFormat {
  const ending = /\.([^.]+)$/.exec(file)?.[1]?.toLowerCase() ?? '';
  const ofEnding = fileFormats.find(format => format.endings.includes(ending) && format.sniffs(head));
  return ofEnding ?? fileFormats.find(format => format.sniffs(head) && !format.endings.includes(ending)) ?? csv;
}

/** Reads a file of any known kind. */
export const readFile = (bytes: Uint8Array, file: string, options?: ReadOptions): Result<Contents> =>
  formatFor(bytes.subarray(0, HEAD_BYTES), file).read(bytes, file, options);
