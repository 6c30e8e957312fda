import { success } from 'core/result';
import { readProjectFile } from '../projects/project-file';
import { FILE_KINDS } from '../file-kinds';
import type { FileFormat } from './format';

/** A project file of Cowbell: JSON with the document and its tables. */
export const project: FileFormat = {
  ...FILE_KINDS.project,
  sniffs: head => /^\uFEFF?\s*\{\s*"format"\s*:\s*"cowbell-project"/.test(new TextDecoder().decode(head)),
  read: bytes => {
    const read = readProjectFile(new TextDecoder().decode(bytes));
    return read.ok ? success({ kind: 'project', bundle: read.value }) : read;
  },
};
