import { success } from 'core/result';
import { readCsv } from '../read-csv';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

/** Rows of text with one sign between cells: CSV, and what is like it. Whatever no other format claims is read as this, and refused with a reason. */
export const csv: FileFormat = {
  ...FILE_KINDS.csv,
  sniffs: () => true,
  read: (bytes, file, options) => {
    const read = readCsv(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};
