// Files of any known kind. A room of its own: the page, which only types and pastes, comes without the readers.
export { formatFor, readFile } from './file-formats';
export type { Contents } from './format';
