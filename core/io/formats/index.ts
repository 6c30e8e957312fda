// Files of any known kind. A room of its own: the page, which only types and pastes, comes without the readers.
export { fileFormats, formatFor, readFile } from './file-formats';
export type { Contents, FileFormat } from './format';
