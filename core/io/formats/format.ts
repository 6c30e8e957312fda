import type { Result } from 'core/result';
import type { FileKind } from '../file-kinds';
import type { ReadBundle } from '../projects/project-file';
import type { ImportedTable } from '../imported';
import type { ReadOptions } from '../text/read-csv';

/** The contents of a file: tables, or a whole project with its own. */
export type Contents =
  { readonly kind: 'tables'; readonly tables: readonly ImportedTable[] } | { readonly kind: 'project'; readonly bundle: ReadBundle };

/** One kind of file. Adding one is an entry in `FILE_KINDS`, its reader here, and its line in `fileFormats`: what opens files, on the screen and without, follows from it. */
export interface FileFormat extends FileKind {
  /** Whether a file with these first bytes can be of this kind. `head`: at most some thousand bytes. */
  readonly sniffs: (head: Uint8Array) => boolean;
  /** Tables with notes, or a project; every problem with its place. A reader library is loaded when first needed. Cost: one pass. */
  readonly read: (bytes: Uint8Array, file: string, options?: ReadOptions) => Result<Contents> | Promise<Result<Contents>>;
}
