// Files in: what `core/io/formats` builds on.
export { acceptedFiles, FILE_KINDS, type FileKind, type FileKindName } from './file-kinds';
export { tableFromColumns, tableFromRows, type SourceColumn } from './table-from-rows';
export { readSmallPicture } from './read-picture';
export { readCsv, type ReadOptions } from './read-csv';
export type { ImportedTable, Misfit, ReadColumn, SourceOrigin } from './imported';
export { lookAt, type LookColumn, type SourceLook } from './source-look';
export { MAX_CELLS, MAX_COLUMNS } from './row-run';
export { projectFileSchema, readProjectFile, writeProjectFile, type ProjectBundle, type ReadBundle } from './project-file';
export { ENCODING_WORDS, MAX_FILE_BYTES } from './decode';

// Typing and pasting in.
export { parseCell, type TypedColumn } from './parse-cell';
export { pasteGrid } from './paste-grid';
export { decimalMarkOf, parseNumber } from './numbers';

// Files out.
export { writeCsv, type CsvOptions } from './write-csv';
export { readLivery, writeLivery } from './livery-file';
