import { success } from 'core/result';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

const ZIP = [0x50, 0x4b, 0x03, 0x04];
// The container of older workbooks, and of ones with a password.
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];

/** Office workbooks: one sheet, as text, numbers and dates. */
export const workbook: FileFormat = {
  ...FILE_KINDS.workbook,
  sniffs: head => [ZIP, COMPOUND].some(mark => mark.every((byte, i) => head[i] === byte)),
  read: async (bytes, file, options) => {
    const { readWorkbook } = await import('../workbook/read-workbook');
    const read = readWorkbook(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};
