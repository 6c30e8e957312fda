import { success } from 'core/result';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

// A stream begins with a continuation mark and the length of its schema.
const STREAM = [0xff, 0xff, 0xff, 0xff];

/** Arrow: typed columns, as a file or as a stream. */
export const arrow: FileFormat = {
  ...FILE_KINDS.arrow,
  sniffs: head => new TextDecoder().decode(head.subarray(0, 6)) === 'ARROW1' || STREAM.every((byte, i) => head[i] === byte),
  read: async (bytes, file, options) => {
    const { readArrow } = await import('../typed/read-arrow');
    const read = readArrow(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};
