// Files in: any known kind, or one of them.
export { fileFormats, formatFor, readFile } from './formats/file-formats';
export type { Contents, FileFormat } from './formats/format';
export { tableFromRows } from './table-from-rows';
export { readSmallPicture } from './read-picture';
export { MAX_CELLS, MAX_COLUMNS, readCsv, type ImportedTable, type ReadOptions } from './read-csv';
export { readProjectFile, writeProjectFile, type ProjectBundle, type ReadBundle } from './project-file';
export { MAX_FILE_BYTES } from './decode';

// Typing and pasting in.
export { parseCell, type TypedColumn } from './parse-cell';
export { pasteGrid } from './paste-grid';
export { parseNumber } from './numbers';

// Files out.
export { writeCsv, type CsvOptions } from './write-csv';
export { readLivery, writeLivery } from './livery-file';
