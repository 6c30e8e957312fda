import { failure, success, type FileProblem, type Result } from 'core/result';
import { makeTable, type Table } from 'core/table';
import { ColumnReader, planColumn, type ColumnPlan } from './column-reader';
import { encodingOf, NotUtf8, textPieces, westernEuropean, wholeText, type Encoding } from './decode';
import { delimiterOf } from './delimiter';
import { headerNames } from './header';
import { lineOfRow } from './line-of-row';
import { tokenizePieces } from './tokenize';

/** A table read from a file, and everything that had to be assumed or mended. */
export interface ImportedTable {
  readonly table: Table;
  readonly notes: readonly FileProblem[];
}

export interface ReadOptions {
  /** Called about every megabyte with the share read, 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/**
 * A CSV file as a table: comma, semicolon, tab or bar between cells (RFC 4180 quoting), the first line names the
 * columns. Types come from the first rows; texts that do not fit are left missing and named by line.
 * Problems: empty, binary, no rows, an unclosed quote. Cost: one pass; no row is kept.
 */
export function readCsv(bytes: Uint8Array, file: string, options: ReadOptions = {}): Result<ImportedTable> {
  const encoding = encodingOf(bytes, file);
  if (!encoding.ok) return encoding;
  try {
    return readAs({ bytes, file, options, encoding: encoding.value }, new Set());
  } catch (error) {
    if (error instanceof NotUtf8) return readAs({ bytes, file, options, encoding: westernEuropean }, new Set());
    throw error;
  }
}

interface Source {
  readonly bytes: Uint8Array;
  readonly file: string;
  readonly options: ReadOptions;
  readonly encoding: Encoding;
}

function readAs(source: Source, asText: ReadonlySet<number>): Result<ImportedTable> {
  const { bytes, file, options, encoding } = source;
  const delimiter = delimiterOf(wholeText(bytes.subarray(0, DELIMITER_BYTES), encoding));
  const run = new TableRun(delimiter, asText, bytes.length);
  const faults = tokenizePieces(textPieces(bytes, encoding), (row, number) => run.take(row, number), {
    delimiter,
    // Characters are never more than bytes, so the share never runs ahead.
    onTaken: characters => options.onProgress?.(Math.min(1, characters / bytes.length)),
  });
  options.onProgress?.(1);
  let text: string | undefined;
  const lineOf = (row: number): number => lineOfRow((text ??= wholeText(bytes, encoding)), row, delimiter);
  if (faults.unclosed !== undefined) return failure({ code: 'quote-unclosed', line: lineOf(faults.unclosed) });
  run.finish();
  if (run.rowCount === 0) return failure(run.hasHeader ? { code: 'file-no-rows', file } : { code: 'file-empty', file });
  const misread = run.misreadColumns();
  // The sample misled: those columns are text, and only a second reading still has their texts.
  if (misread.length) return readAs(source, new Set([...asText, ...misread]));
  const misplaced = faults.misplaced.slice(0, KEPT_NOTES).map(row => ({ code: 'quote-misplaced' as const, line: lineOf(row) }));
  const name = file.replace(/\.[^.]*$/, '') || file;
  return success({ table: makeTable(name, run.columns()), notes: [...encoding.notes, ...misplaced, ...run.notes(lineOf)] });
}

// Enough of the file to see how its cells are cut.
const DELIMITER_BYTES = 40_000;
// Rows looked at before types are chosen.
const SAMPLE_ROWS = 2_000;
// Enough to show where a file is faulty; the rest is counted.
const KEPT_NOTES = 5;
const TEXT_PLAN: ColumnPlan = { type: 'text', read: () => NaN, doubtful: undefined };

/** Builds the columns of one reading as rows come by. */
class TableRun {
  rowCount = 0;
  private header: readonly string[] | undefined;
  private sample: (readonly string[])[] | undefined = [];
  private readers: ColumnReader[] = [];
  private readonly headerNotes: FileProblem[] = [];
  private readonly ragged: { readonly row: number; readonly cells: number }[] = [];
  private raggedCount = 0;
  private readonly rowNumbers = new RowNumbers();

  constructor(
    private readonly delimiter: string,
    private readonly asText: ReadonlySet<number>,
    private readonly bytes: number,
  ) {}

  get hasHeader(): boolean {
    return this.header !== undefined;
  }

  take(row: readonly string[], number: number): void {
    if (row.length === 1 && (row[0] as string).trim() === '') return;
    if (!this.header) {
      this.header = row;
      return;
    }
    if (row.length !== this.header.length && this.raggedCount++ < KEPT_NOTES) this.ragged.push({ row: number, cells: row.length });
    this.rowNumbers.add(number);
    if (!this.sample) return this.push(row);
    this.sample.push(row);
    if (this.sample.length === SAMPLE_ROWS) this.finish();
  }

  /** Chooses types from what was seen so far, once. */
  finish(): void {
    const { sample } = this;
    if (!sample) return;
    this.sample = undefined;
    const width = sample.reduce((widest, row) => Math.max(widest, row.length), this.header?.length ?? 0);
    const { names, notes } = headerNames(this.header ?? [], width);
    this.headerNotes.push(...notes);
    const expected = expectedRows(sample, this.bytes);
    this.readers = names.map((name, i) => new ColumnReader(name, this.planAt(sample, i), expected));
    for (const row of sample) this.push(row);
  }

  misreadColumns(): number[] {
    return this.readers.flatMap((reader, i) => (reader.isMisread() ? [i] : []));
  }

  columns() {
    return this.readers.map(reader => reader.column());
  }

  notes(lineOf: (row: number) => number): FileProblem[] {
    const columns = this.header?.length ?? 0;
    const ragged = this.ragged.map(({ row, cells }) => ({ code: 'row-ragged' as const, line: lineOf(row), cells, columns }));
    const more = this.raggedCount - this.ragged.length;
    return [
      ...this.headerNotes,
      ...ragged,
      ...(more > 0 ? [{ code: 'rows-ragged-more' as const, count: more }] : []),
      ...this.readers.flatMap(reader => columnNotes(reader, row => lineOf(this.rowNumbers.at(row)))),
    ];
  }

  private planAt(sample: readonly (readonly string[])[], column: number): ColumnPlan {
    if (this.asText.has(column)) return TEXT_PLAN;
    const texts = sample.map(row => row[column] ?? '');
    return planColumn(texts, this.delimiter);
  }

  private push(row: readonly string[]): void {
    while (this.readers.length < row.length) this.addLateColumn();
    for (let i = 0; i < this.readers.length; i++) (this.readers[i] as ColumnReader).push(row[i]);
    this.rowCount++;
  }

  /** A row wider than any in the sample: its extra cells get a column that is missing above. */
  private addLateColumn(): void {
    const { names, notes } = headerNames([...this.readers.map(reader => reader.name), '']);
    this.headerNotes.push(...notes);
    const reader = new ColumnReader(names.at(-1) as string, TEXT_PLAN, this.rowCount + 1);
    for (let row = 0; row < this.rowCount; row++) reader.push(undefined);
    this.readers.push(reader);
  }
}

/** About how many rows a file has, from the length of its first ones: a little too many rather than too few. */
function expectedRows(sample: readonly (readonly string[])[], bytes: number): number {
  let characters = 0;
  for (const row of sample) for (const cell of row) characters += cell.length + 1;
  const perRow = characters / Math.max(1, sample.length);
  return Math.ceil((bytes / Math.max(1, perRow)) * 1.02) + 16;
}

/** Row numbers of the file by data row. Blank lines shift them; only the shifts are kept. */
class RowNumbers {
  private count = 0;
  private readonly shifts: { readonly from: number; readonly by: number }[] = [];

  add(number: number): void {
    const by = number - this.count;
    if (this.shifts.at(-1)?.by !== by) this.shifts.push({ from: this.count, by });
    this.count++;
  }

  at(dataRow: number): number {
    return dataRow + (this.shifts.findLast(shift => shift.from <= dataRow)?.by ?? 0);
  }
}

function columnNotes({ name, plan, misfits, misfitCount }: ColumnReader, lineOf: (row: number) => number): FileProblem[] {
  const notes: FileProblem[] = misfits.map(({ row, text }) => ({
    code: 'cell-misfit',
    line: lineOf(row),
    column: name,
    text,
    type: plan.type,
  }));
  const more = misfitCount - misfits.length;
  if (more > 0) notes.push({ code: 'cells-misfit-more', column: name, count: more, type: plan.type });
  return plan.doubtful === undefined ? notes : [...notes, doubtNote(name, plan, plan.doubtful)];
}

const doubtNote = (column: string, plan: ColumnPlan, example: string): FileProblem =>
  plan.type === 'date'
    ? { code: 'date-order-assumed', column, example }
    : { code: 'decimal-assumed', column, example, value: plan.read(example) };
