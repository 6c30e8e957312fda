import { success } from 'core/result';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

/** JSON: an array of objects or of rows, an object of columns, lists within an object, or an object on each line. */
export const json: FileFormat = {
  ...FILE_KINDS.json,
  sniffs: head => /^\uFEFF?\s*(\[|\{\s*["}])/.test(textOf(head)),
  read: async (bytes, file, options) => {
    const { readJson } = await import('../json/read-json');
    const read = readJson(bytes, file, options);
    return read.ok ? success({ kind: 'tables', tables: [read.value] }) : read;
  },
};

/** The first bytes as text; a byte order mark tells UTF-16. */
function textOf(head: Uint8Array): string {
  const wide = head[0] === 0xff && head[1] === 0xfe ? 'utf-16le' : head[0] === 0xfe && head[1] === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(wide).decode(head);
}
