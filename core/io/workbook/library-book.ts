import { read, type CellObject, type WorkBook } from '@e965/xlsx';
import type { Book } from './book';
import { numberFormat } from './number-format';
import { hiddenInOds } from './ods-hidden';
import { SheetCells } from './sheet-cells';

/**
 * A workbook of any kind by the reader library, which makes an object of each cell. Throws where it is broken or has a password. Cost: the library's;
 * each further sheet unpacks the file again.
 */
export function libraryBook(bytes: Uint8Array, first: string | null): Book {
  // The names of all sheets come with the cells of any one.
  const opened = readSheet(bytes, first ?? 0);
  const cells = (name: string): SheetCells => cellsOf(opened.Sheets[name] ? opened : readSheet(bytes, name), name, bytes);
  return { names: opened.SheetNames, cells };
}

/** A workbook with the cells of one sheet: values with their number formats, hidden rows, nothing that is only for showing. */
const readSheet = (bytes: Uint8Array, sheet: string | number): WorkBook =>
  read(bytes, {
    type: 'array',
    sheets: sheet,
    dense: true,
    cellNF: true,
    cellText: false,
    cellHTML: false,
    cellFormula: false,
    cellStyles: true,
  });

function cellsOf(book: WorkBook, name: string, bytes: Uint8Array): SheetCells {
  const sheet = book.Sheets[name];
  const cells = new SheetCells(book.Workbook?.WBProps?.date1904 ?? false);
  const hidden: ReadonlySet<number> = isZip(bytes) ? hiddenInOds(bytes, name) : new Set();
  for (const [row, line] of (sheet?.['!data'] ?? []).entries()) {
    if (!line) continue;
    cells.beginRow(row, sheet?.['!rows']?.[row]?.hidden === true || hidden.has(row));
    for (const [column, cell] of line.entries()) put(cells, column, cell);
  }
  for (const { s, e } of sheet?.['!merges'] ?? []) cells.merges.push({ top: s.r, left: s.c, bottom: e.r, right: e.c });
  return cells;
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50;

function put(cells: SheetCells, column: number, cell: CellObject | undefined): void {
  switch (cell?.t as CellObject['t'] | 'str' | undefined) {
    case 'e':
      return cells.putError(column, ERRORS[Number(cell?.v)] ?? '#N/A');
    case 'n':
      return typeof cell?.v === 'number' ? cells.putNumber(column, cell.v, numberFormat(String(cell.z ?? ''))) : undefined;
    case 'd':
      return cell?.v instanceof Date ? cells.putMoment(column, cell.v.getTime()) : undefined;
    case 'b':
      return cells.putAnswer(column, cell?.v === true);
    case 's':
    case 'str':
      return cells.putText(column, String(cell?.v ?? ''));
    default:
  }
}

// Errors by their numbers in the file (ISO/IEC 29500, 18.17.3).
const ERRORS: Readonly<Record<number, string>> = {
  0: '#NULL!',
  7: '#DIV/0!',
  15: '#VALUE!',
  23: '#REF!',
  29: '#NAME?',
  36: '#NUM!',
  42: '#N/A',
};
