import { success } from 'core/result';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

/** Parquet: compressed typed columns. */
export const parquet: FileFormat = {
  ...FILE_KINDS.parquet,
  sniffs: head => new TextDecoder().decode(head.subarray(0, 4)) === 'PAR1',
  read: async (bytes, file, options) => {
    const { readParquet } = await import('../typed/read-parquet');
    const read = await readParquet(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};
