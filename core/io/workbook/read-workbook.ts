import { failure, success, type Result } from 'core/result';
import { PLAIN_INTAKE } from 'core/table';
import { MAX_FILE_BYTES } from '../text/decode';
import type { ImportedTable } from '../imported';
import { nameOfFile, type ReadOptions } from '../text/read-csv';
import { TooLarge } from '../text/row-run';
import { isBomb } from '../zip-size';
import type { Book } from './book';
import { libraryBook } from './library-book';
import type { SheetCells } from './sheet-cells';
import { SheetRows } from './sheet-rows';
import { standardBook } from './standard-book';

// What a workbook may unpack to.
const MAX_UNPACKED = 2 * MAX_FILE_BYTES;

/** The share of the work that is reading cells; the rest is finding out what they mean. */
const CELLS_READ = 0.6;

/**
 * One sheet of an office workbook as a table: the one that the intake names, else the first with cells; its header row found, names over several columns
 * joined, dates as dates, formulas by their stored values, errors missing, hidden rows said. Problems: a password, broken, no cells, too large. Cost: a
 * workbook of the standard is read in pieces (`standardBook`), another by the reader library; then one pass over the cells.
 */
export function readWorkbook(
  bytes: Uint8Array,
  file: string,
  { intake = PLAIN_INTAKE, onProgress }: ReadOptions = {},
): Result<ImportedTable> {
  if (bytes[0] === 0x50 && isBomb(bytes, MAX_UNPACKED)) return failure({ code: 'unpacked-too-large', file, limit: MAX_UNPACKED });
  try {
    const opened = openedSheet(bytes, { file, part: intake.part, onProgress: share => onProgress?.(share * CELLS_READ) });
    if (!opened.ok) return opened;
    const { names, name, cells } = opened.value;
    const rows = new SheetRows(cells, intake);
    if (rows.rowCount === 0) return failure({ code: 'workbook-empty', file, sheet: name });
    const isOneOfMany = names.length > 1;
    const table = rows.table(isOneOfMany ? `${nameOfFile(file)} ${name}` : nameOfFile(file), share =>
      onProgress?.(CELLS_READ + share * (1 - CELLS_READ)),
    );
    onProgress?.(1);
    return success({ ...table, parts: isOneOfMany ? names : [], part: isOneOfMany ? name : null, origin: { kind: 'sheet' } });
  } catch (error) {
    if (error instanceof TooLarge) return failure({ ...error.problem, line: error.row + 1, counts: 'row' });
    throw error;
  }
}

interface Opened {
  readonly names: readonly string[];
  readonly name: string;
  readonly cells: SheetCells;
}

/** What is asked of a workbook. */
interface Asked {
  readonly file: string;
  readonly part: string | null;
  readonly onProgress: (share: number) => void;
}

/** The sheet by the standard reader; where the file does not conform, by the reader library, which is more tolerant. */
function openedSheet(bytes: Uint8Array, asked: Asked): Result<Opened> {
  const { file, part } = asked;
  const broken = failure({ code: 'file-broken', file, what: 'workbook' });
  const standard = attempt(() => (bytes[0] === 0x50 ? standardBook(bytes) : null), asked);
  if (standard.found) return standard.found;
  const other = attempt(() => libraryBook(bytes, part), asked);
  // What the library finds empty is broken where the standard has found a fault in it.
  if (other.found) return standard.fault && isEmpty(other.found) ? broken : other.found;
  return /password|encrypt/i.test(String(other.fault)) ? failure({ code: 'workbook-locked', file }) : broken;
}

const isEmpty = (found: Result<Opened>): boolean => !found.ok && found.problems[0]?.code === 'workbook-empty';

/** The content of a workbook, or its fault; neither where it is of another kind. */
function attempt(open: () => Book | null, asked: Asked): { readonly found?: Result<Opened>; readonly fault?: unknown } {
  try {
    const book = open();
    return book ? { found: sheetIn(book, asked) } : {};
  } catch (fault) {
    if (fault instanceof TooLarge) throw fault;
    return { fault };
  }
}

function sheetIn({ names, cells: cellsOf }: Book, { file, part, onProgress }: Asked): Result<Opened> {
  if (part !== null && !names.includes(part)) return failure({ code: 'sheet-absent', name: part, known: names });
  for (const name of part === null ? names : [part]) {
    const cells = cellsOf(name, onProgress);
    if (cells.rowCount > 0) return success({ names, name, cells });
  }
  return failure({ code: 'workbook-empty', file, sheet: part });
}
