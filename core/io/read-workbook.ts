import { read, type CellObject, type WorkBook, type WorkSheet } from '@e965/xlsx';
import { failure, success, type FileProblem, type Result } from 'core/result';
import { PLAIN_INTAKE, type Intake } from 'core/table';
import { MAX_FILE_BYTES } from './decode';
import type { ImportedTable } from './imported';
import { parseNumber } from './numbers';
import { nameOfFile, type ReadOptions } from './read-csv';
import { MAX_CELLS, MAX_COLUMNS, RowRun, TooLarge } from './row-run';
import { joinedHead, type Merge } from './sheet-head';
import { kindOf, sheetText, type SheetKind } from './sheet-text';
import { hiddenInOds } from './ods-hidden';
import { isBomb } from './zip-size';

// What a workbook may unpack to.
const MAX_UNPACKED = 2 * MAX_FILE_BYTES;

/**
 * One sheet of an office workbook as a table: the one that the intake names, else the first with cells; its header row found, names over several columns
 * joined, dates as dates, formulas by their stored values, errors missing, hidden rows said. Problems: a password, broken, no cells, too large. Cost: the
 * reader library's, and one pass over the cells.
 */
export function readWorkbook(
  bytes: Uint8Array,
  file: string,
  { intake = PLAIN_INTAKE, onProgress }: ReadOptions = {},
): Result<ImportedTable> {
  if (bytes[0] === 0x50 && isBomb(bytes, MAX_UNPACKED)) return failure({ code: 'unpacked-too-large', file, limit: MAX_UNPACKED });
  onProgress?.(0.1);
  const opened = openedBook(bytes, file, intake.part);
  if (!opened.ok) return opened;
  onProgress?.(0.7);
  const { book, names, name, sheet } = opened.value;
  try {
    const cells = new SheetCells(sheet, {
      intake,
      is1904: book.Workbook?.WBProps?.date1904 ?? false,
      hiddenRows: bytes[0] === 0x50 ? hiddenInOds(bytes, name) : NONE,
    });
    if (cells.rowCount === 0) return failure({ code: 'workbook-empty', file, sheet: name });
    const table = cells.table(names.length > 1 ? `${nameOfFile(file)} ${name}` : nameOfFile(file));
    onProgress?.(1);
    return success({ ...table, parts: names.length > 1 ? names : [], part: names.length > 1 ? name : null, origin: { kind: 'sheet' } });
  } catch (error) {
    if (error instanceof TooLarge) return failure({ ...error.problem, line: error.row + 1 });
    throw error;
  }
}

interface Opened {
  readonly book: WorkBook;
  readonly names: readonly string[];
  readonly name: string;
  readonly sheet: WorkSheet;
}

function openedBook(bytes: Uint8Array, file: string, part: string | null): Result<Opened> {
  try {
    // The names of all sheets come with the cells of any one, so that the file is unpacked once where the first will do.
    let book = readSheet(bytes, part ?? 0);
    const names = book.SheetNames;
    if (part !== null && !names.includes(part)) return failure({ code: 'sheet-absent', name: part, known: names });
    for (const [at, name] of (part === null ? names : [part]).entries()) {
      if (at > 0) book = readSheet(bytes, name);
      const sheet = book.Sheets[name];
      if (sheet?.['!ref'] !== undefined && hasCells(sheet)) return success({ book, names, name, sheet });
    }
    return failure({ code: 'workbook-empty', file, sheet: part });
  } catch (error) {
    const isLocked = error instanceof Error && /password|encrypt/i.test(error.message);
    return failure(isLocked ? { code: 'workbook-locked', file } : { code: 'file-broken', file, what: 'workbook' });
  }
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

type Grid = readonly (readonly (CellObject | undefined)[] | undefined)[];
const gridOf = (sheet: WorkSheet): Grid => sheet['!data'] ?? [];
const hasCells = (sheet: WorkSheet): boolean => gridOf(sheet).some(row => row?.some(cell => cell?.v !== undefined));

const NONE: ReadonlySet<number> = new Set();

/** How the cells of a sheet are read: hidden rows beside those that the reader knows of. */
interface SheetReading {
  readonly intake: Intake;
  readonly is1904: boolean;
  readonly hiddenRows: ReadonlySet<number>;
}

/** The cells of a sheet that are to be read, as rows of texts. */
class SheetCells {
  private readonly grid: Grid;
  /** Rows and columns that hold anything, in order, counted from 0. */
  private readonly rows: number[] = [];
  private readonly columns: number[];
  /** Columns in which a date has a time. */
  private readonly timed = new Set<number>();
  private readonly merges: readonly Merge[];
  private hidden = 0;
  private readonly errors: string[] = [];
  private filled = 0;
  private readonly textNumbers = new Map<number, number>();
  private readonly intake: Intake;
  private readonly is1904: boolean;
  private readonly hiddenRows: ReadonlySet<number>;

  constructor(
    private readonly sheet: WorkSheet,
    { intake, is1904, hiddenRows }: SheetReading,
  ) {
    this.intake = intake;
    this.is1904 = is1904;
    this.hiddenRows = hiddenRows;
    this.grid = gridOf(sheet);
    this.merges = (sheet['!merges'] ?? []).map(({ s, e }) => ({ top: s.r, left: s.c, bottom: e.r, right: e.c }));
    this.columns = this.look();
  }

  get rowCount(): number {
    return this.columns.length ? this.rows.length : 0;
  }

  table(name: string): ImportedTable {
    const rows = this.texts();
    const { above, names, notes } = this.head(rows);
    this.fill(rows, above);
    const run = (decided: ReturnType<RowRun['betterPlans']>): RowRun => {
      const taking = new RowRun({
        delimiter: '\t',
        intake: this.intake,
        decided,
        names,
        size: rows.length * 8 * this.columns.length,
        mayBeGuarded: false,
        counts: 'row',
      });
      for (let at = above; at < rows.length; at++) taking.take(rows[at] as string[], this.rows[at] as number);
      taking.finish();
      return taking;
    };
    const first = run(new Map());
    const better = first.betterPlans();
    const read = (better.size ? run(better) : first).table(name, row => row + 1, [...notes, ...this.notes()]);
    return { ...read, notes: [...read.notes, ...this.textNumberNotes(read)] };
  }

  /** Which rows and columns hold anything, which columns have times. A title takes no column of its own. */
  private look(): number[] {
    const { top = 1, left = 1, bottom, right } = this.intake.range ?? {};
    const [used, ofTitles] = [new Set<number>(), new Set<number>()];
    const lastRow = Math.min(this.grid.length, bottom ?? Infinity);
    let cells = 0;
    for (let row = top - 1; row < lastRow; row++) {
      if (this.isOut(row)) continue;
      const filled = this.filledIn(row, left - 1, right ?? Infinity);
      if (filled.length === 0) continue;
      this.rows.push(row);
      const isTitle = used.size === 0 && filled.length === 1 && row < TITLE_ROWS && this.kindAt(row, filled[0] as number) === 'text';
      for (const column of filled) (isTitle ? ofTitles : used).add(column);
      cells += filled.length;
      if (used.size > MAX_COLUMNS) throw new TooLarge(row, { code: 'too-many-columns', limit: MAX_COLUMNS });
      if (cells > MAX_CELLS) throw new TooLarge(row, { code: 'too-many-cells', limit: MAX_CELLS });
    }
    return [...(used.size ? used : ofTitles)].sort((a, b) => a - b);
  }

  /** Columns of a row that hold something. */
  private filledIn(row: number, left: number, right: number): number[] {
    const line = this.grid[row] ?? [];
    const filled: number[] = [];
    for (let column = left; column < Math.min(line.length, right); column++) {
      const kind = kindOf(line[column], this.is1904);
      if (kind === 'nothing') continue;
      filled.push(column);
      if (kind === 'moment') this.timed.add(column);
      if (kind === 'error') this.errors.push(ERRORS[Number(line[column]?.v)] ?? '#N/A');
    }
    return filled;
  }

  private isOut(row: number): boolean {
    const isHidden = this.sheet['!rows']?.[row]?.hidden === true || this.hiddenRows.has(row);
    if (isHidden && this.grid[row]?.some(cell => cell?.v !== undefined)) this.hidden++;
    return isHidden && this.intake.hidden === 'out';
  }

  private texts(): string[][] {
    let isAbove = true;
    return this.rows.map(row => {
      const cells = this.columns.map((column, i) => this.textAt(row, column, i));
      isAbove &&= row < TITLE_ROWS && cells.filter(text => text !== '').length <= 1;
      // A title stands alone in its row, wherever in it: the cells beside it are none.
      return isAbove && cells.length > 1 ? [this.titleIn(row)] : cells;
    });
  }

  private titleIn(row: number): string {
    const cell = this.grid[row]?.find(found => kindOf(found, this.is1904) !== 'nothing');
    return sheetText(cell, kindOf(cell, this.is1904), { is1904: this.is1904, timed: true });
  }

  private kindAt(row: number, column: number): SheetKind {
    return kindOf(this.grid[row]?.[column], this.is1904);
  }

  private textAt(row: number, column: number, i: number): string {
    const cell = this.grid[row]?.[column];
    const kind = kindOf(cell, this.is1904);
    const text = sheetText(cell, kind, { is1904: this.is1904, timed: this.timed.has(column) });
    if (kind === 'text' && MAY_BE_NUMBER.test(text) && !Number.isNaN(parseNumber(text)))
      this.textNumbers.set(i, (this.textNumbers.get(i) ?? 0) + 1);
    return text;
  }

  /** Texts merged over rows stand in each of them; a number would count several times there. */
  private fill(rows: string[][], above: number): void {
    const places = new Map(this.rows.map((row, i) => [row, i]));
    for (const { top, left, bottom } of this.merges) {
      const column = this.columns.indexOf(left);
      if (bottom === top || column < 0 || (places.get(top) ?? -1) < above || this.kindAt(top, left) !== 'text') continue;
      const text = sheetText(this.grid[top]?.[left], 'text', { is1904: this.is1904, timed: false });
      this.filled++;
      for (let row = top + 1; row <= bottom; row++) {
        const cells = rows[places.get(row) ?? -1];
        if (cells) cells[column] = text;
      }
    }
  }

  /** Rows of names that a merge joins; else the rows tell by themselves. */
  private head(rows: readonly (readonly string[])[]): { above: number; names: readonly string[] | undefined; notes: FileProblem[] } {
    const none = { above: 0, names: undefined, notes: [] };
    if (this.intake.names !== 'found' || this.intake.above !== null) return none;
    const merges = this.merges.flatMap(({ top, left, bottom, right }) => {
      const [first, last] = [this.rows.indexOf(top), this.rows.findLastIndex(row => row <= bottom)];
      const [from, to] = [this.columns.findIndex(column => column >= left), this.columns.findLastIndex(column => column <= right)];
      return first < 0 || from < 0 || first > TITLE_ROWS ? [] : [{ top: first, left: from, bottom: last, right: to }];
    });
    const isValue = (row: number, column: number): boolean => {
      const kind = this.kindAt(this.rows[row] as number, this.columns[column] as number);
      return kind !== 'text' && kind !== 'nothing';
    };
    const joined = joinedHead(rows, merges, isValue);
    if (!joined) return none;
    const { first, last, names } = joined;
    const title: FileProblem[] = first > 0 ? [{ code: 'lines-above', count: first, text: (rows[0] ?? []).join(' ').trim() }] : [];
    const example = names.find(name => name.includes(' ')) ?? '';
    return { above: last + 1, names, notes: [...title, { code: 'headers-joined', rows: last - first + 1, example }] };
  }

  private notes(): FileProblem[] {
    const { hidden, errors, filled } = this;
    return [
      ...(hidden ? [{ code: 'rows-hidden' as const, count: hidden, isKept: this.intake.hidden === 'kept' }] : []),
      ...(filled ? [{ code: 'merges-filled' as const, count: filled }] : []),
      ...(errors.length ? [{ code: 'errors-missing' as const, count: errors.length, example: errors[0] as string }] : []),
    ];
  }

  private textNumberNotes({ columns }: ImportedTable): FileProblem[] {
    return columns.flatMap(({ name, type }, i) => {
      const count = this.textNumbers.get(i) ?? 0;
      return type === 'number' && name !== null && count > 0 ? [{ code: 'numbers-as-text' as const, column: name, count }] : [];
    });
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
// Most texts begin otherwise, and need not be tried.
const MAY_BE_NUMBER = /^[\s(+\-−\d.,]/;
// Titles and names stand in the first rows.
const TITLE_ROWS = 30;
