// Files in: what `core/io/formats` builds on.
export { acceptedFiles } from './file-kinds';
export { tableFromRows } from './table-from-rows';
export { readSmallPicture } from './read-picture';
export { readCsv } from './read-csv';
export type { ImportedTable } from './imported';
export { lookAt, type LookColumn, type SourceLook } from './source-look';
export { projectFileSchema, readProjectFile, writeProjectFile, type ProjectBundle, type ReadBundle } from './project-file';
export { ENCODING_WORDS, MAX_FILE_BYTES } from './decode';

// Typing and pasting in.
export { parseCell, type TypedColumn } from './parse-cell';
export { pasteGrid } from './paste-grid';
export { decimalMarkOf, parseNumber } from './numbers';

// Files out.
export { writeCsv, type CsvOptions } from './write-csv';
export { readLivery, writeLivery } from './livery-file';
