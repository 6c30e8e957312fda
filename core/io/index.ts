// Files in: what `core/io/formats` builds on.
export { acceptedFiles } from './file-kinds';
export { tableFromRows } from './columns/table-from-rows';
export { readSmallPicture } from './projects/read-picture';
export { readCsv } from './text/read-csv';
export type { ImportedTable } from './imported';
export { lookAt, type LookColumn, type SourceLook } from './source-look';
export { projectFileSchema, readProjectFile, writeProjectFile, type ProjectBundle, type ReadBundle } from './projects/project-file';
export { ENCODING_WORDS, MAX_FILE_BYTES } from './text/decode';

// Typing and pasting in.
export { parseCell, type TypedColumn } from './columns/parse-cell';
export { pasteGrid } from './text/paste-grid';
export { decimalMarkOf, parseNumber } from './columns/numbers';

// Files out.
export { writeCsv, type CsvOptions } from './text/write-csv';
export { readLivery, writeLivery } from './projects/livery-file';
