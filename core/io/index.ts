// Files in.
export { readPicture } from './read-picture';
export { readCsv, type ImportedTable, type ReadOptions } from './read-csv';
export { readProjectFile, writeProjectFile, type ProjectBundle } from './project-file';
export { MAX_FILE_BYTES } from './decode';

// Typing and pasting in.
export { parseCell } from './parse-cell';
export { pasteGrid } from './paste-grid';
export { parseNumber } from './numbers';

// Files out.
export { writeCsv } from './write-csv';
