import { success } from 'core/result';
import { readCsv } from '../text/read-csv';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

/**
 * Rows of text with a delimiter: CSV and similar files. A file that no other format recognises is read as this, and refused with a reason if it
 * fails.
 */
export const csv: FileFormat = {
  ...FILE_KINDS.csv,
  sniffs: () => true,
  read: (bytes, file, options) => {
    const read = readCsv(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};
