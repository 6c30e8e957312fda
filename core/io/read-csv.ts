import { failure, success, type FileProblem, type Result } from 'core/result';
import { makeTable, type Reading, type Table } from 'core/table';
import { planColumn, textPlan, type ColumnPlan } from './column-plan';
import { ColumnReader } from './column-reader';
import { encodingOf, NotUtf8, secondGuess, textPieces, wholeText, type Encoding } from './decode';
import { delimiterOf } from './delimiter';
import { HeaderNames, TOP_ROWS, topOf } from './header';
import { lineEndsOf, type LineEnds } from './line-ends';
import { lineOfRow } from './line-of-row';
import { columnNotes, fewest, type LineOf } from './reading-notes';
import { CellTooLong, Irregular, tokenizePieces } from './tokenize';

/** A table read from a file, and everything that had to be assumed or mended. */
export interface ImportedTable {
  readonly table: Table;
  readonly notes: readonly FileProblem[];
  /** What stood beside every number of a column, by its name. */
  readonly units: Readonly<Record<string, string>>;
  /** How the texts of columns were read, where not as plain as can be. */
  readonly readings: Readonly<Record<string, Reading>>;
}

/** What the reading of a file may be told. */
export interface ReadOptions {
  /** Called about every megabyte with the share read, 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/** The widest table that is read, and the most cells: enough for what people have, too few to exhaust a browser. */
export const MAX_COLUMNS = 20_000;
/** Cells that a table may have. */
export const MAX_CELLS = 150_000_000;

/**
 * A CSV file as a table: comma, semicolon, tab or bar between cells (RFC 4180 quoting, told leniently), the first line names the columns unless it
 * holds numbers; titles and comments above it are left out. Types come from the first rows and are put right by the rest; texts that do not fit are
 * left missing and named by line. Problems: empty, binary, no rows, an unclosed quote, too wide, too large. Cost: one pass, a second one where the
 * first rows misled; no row is kept.
 */
export function readCsv(bytes: Uint8Array, file: string, options: ReadOptions = {}): Result<ImportedTable> {
  const encoding = encodingOf(bytes, file);
  if (!encoding.ok) return encoding;
  // Line ends of wide characters are not told by single bytes.
  const lineEnds = encoding.value.label === 'utf-8' ? lineEndsOf(bytes) : 'mixed';
  return readIrregular({ bytes, file, options, encoding: encoding.value, lineEnds, decided: new Map() });
}

interface Source {
  readonly bytes: Uint8Array;
  readonly file: string;
  readonly options: ReadOptions;
  readonly encoding: Encoding;
  readonly lineEnds: LineEnds;
  /** Plans of columns that an earlier reading found. */
  readonly decided: ReadonlyMap<number, ColumnPlan>;
}

/** Reads again, and otherwise, where the text turns out to be other than it seemed. */
function readIrregular(source: Source): Result<ImportedTable> {
  try {
    return readOnce(source);
  } catch (error) {
    if (error instanceof NotUtf8) return readIrregular({ ...source, encoding: secondGuess(source.bytes) });
    if (error instanceof Irregular) return readIrregular({ ...source, lineEnds: 'mixed' });
    throw error;
  }
}

function readOnce(source: Source): Result<ImportedTable> {
  const { bytes, file, options, encoding, lineEnds } = source;
  const delimiter = delimiterOf(wholeText(bytes.subarray(0, DELIMITER_BYTES), encoding));
  const run = new TableRun(delimiter, source.decided, bytes.length);
  let text: string | undefined;
  const lineOf: LineOf = row => lineOfRow((text ??= wholeText(bytes, encoding)), row, delimiter);
  let faults: ReturnType<typeof tokenizePieces>;
  try {
    faults = tokenizePieces(textPieces(bytes, encoding), (row, number) => run.take(row, number), {
      delimiter,
      lineEnds,
      // Characters are never more than bytes, so the share never runs ahead.
      onTaken: characters => options.onProgress?.(Math.min(1, characters / bytes.length)),
    });
    run.finish();
  } catch (error) {
    if (error instanceof CellTooLong) return failure({ code: 'cell-too-long', line: lineOf(error.row) });
    if (error instanceof TooLarge) return failure({ ...error.problem, line: lineOf(error.row) });
    throw error;
  }
  options.onProgress?.(1);
  if (faults.unclosed !== undefined) return failure({ code: 'quote-unclosed', line: lineOf(faults.unclosed) });
  if (run.rowCount === 0) return failure(run.hasHeader ? { code: 'file-no-rows', file } : { code: 'file-empty', file });
  const better = run.betterPlans();
  // The sample misled: those columns are of another kind, and only a second reading still has their texts.
  if (better.size) return readIrregular({ ...source, decided: new Map([...source.decided, ...better]) });
  const misplaced = fewest(faults.misplaced, row => ({ code: 'quote-misplaced' as const, line: lineOf(row) }));
  const name = file.replace(/\.[^.]*$/, '') || file;
  const { units, readings } = run.styles();
  return success({
    table: makeTable(name, run.columns()),
    notes: [...encoding.notes, ...misplaced, ...run.notes(lineOf)],
    units,
    readings,
  });
}

// Enough of the file to see how its cells are cut.
const DELIMITER_BYTES = 40_000;
// Rows looked at before types are chosen.
const SAMPLE_ROWS = 2_000;
// Enough to show where a file is faulty; the rest is counted.
const KEPT_NOTES = 5;

/** Thrown where a file is wider or larger than a table may be. */
class TooLarge extends Error {
  constructor(
    readonly row: number,
    readonly problem: { readonly code: 'too-many-columns' | 'too-many-cells'; readonly limit: number },
  ) {
    super(problem.code);
  }
}

interface NumberedRow {
  readonly cells: readonly string[];
  readonly number: number;
}

/** Builds the columns of one reading as rows come by. */
class TableRun {
  rowCount = 0;
  /** The first rows, until it is decided what they are. */
  private top: NumberedRow[] | undefined = [];
  private header: readonly string[] | undefined;
  /** Cells of the header, or of the first row where there is none. */
  private width = 0;
  private sample: (readonly string[])[] | undefined = [];
  private readers: ColumnReader[] = [];
  private readonly names = new HeaderNames();
  private readonly topNotes: FileProblem[] = [];
  private readonly ragged: { readonly row: number; readonly cells: number }[] = [];
  private raggedCount = 0;
  private readonly rowNumbers = new RowNumbers();

  constructor(
    private readonly delimiter: string,
    private readonly decided: ReadonlyMap<number, ColumnPlan>,
    private readonly bytes: number,
  ) {}

  get hasHeader(): boolean {
    return this.header !== undefined;
  }

  take(row: readonly string[], number: number): void {
    if (row.length === 1 && (row[0] as string).trim() === '') return;
    if (row.length > MAX_COLUMNS) throw new TooLarge(number, { code: 'too-many-columns', limit: MAX_COLUMNS });
    if (!this.top) return this.takeData(row, number);
    this.top.push({ cells: row, number });
    if (this.top.length === TOP_ROWS) this.settleTop();
  }

  /** Decides what is still open once all rows were seen. */
  finish(): void {
    this.settleTop();
    this.choosePlans();
  }

  betterPlans(): Map<number, ColumnPlan> {
    return new Map(
      this.readers.flatMap((reader, i) => {
        const better = reader.betterPlan();
        return better ? [[i, better] as const] : [];
      }),
    );
  }

  columns() {
    return this.readers.map(reader => reader.column());
  }

  /** Units and readings that what is typed and shown later depends on. */
  styles(): Pick<ImportedTable, 'units' | 'readings'> {
    const units = this.readers.flatMap(({ name, plan }) => (plan.unit === undefined ? [] : [[name, plan.unit] as const]));
    const told = this.readers.filter(
      ({ plan: { type, reading } }) => type !== 'text' && (reading.decimal !== 'point' || reading.dates !== 'iso'),
    );
    return { units: Object.fromEntries(units), readings: Object.fromEntries(told.map(({ name, plan }) => [name, plan.reading])) };
  }

  notes(lineOf: LineOf): FileProblem[] {
    const columns = this.width;
    const ragged = this.ragged.map(({ row, cells }) => ({ code: 'row-ragged' as const, line: lineOf(row), cells, columns }));
    const more = this.raggedCount - this.ragged.length;
    const named = this.header ? fewest(this.names.notes, note => note) : [];
    return [
      ...this.topNotes,
      ...named,
      ...ragged,
      ...(more > 0 ? [{ code: 'rows-ragged-more' as const, count: more }] : []),
      ...columnNotes(this.readers, row => lineOf(this.rowNumbers.at(row))),
    ];
  }

  private settleTop(): void {
    const rows = this.top;
    if (!rows) return;
    this.top = undefined;
    if (rows.length === 0) return;
    const { above, named, notes } = topOf(
      rows.map(({ cells }) => cells),
      this.delimiter,
    );
    this.topNotes.push(...notes);
    const table = rows.slice(above);
    this.header = named ? table.shift()?.cells : undefined;
    this.width = (this.header ?? table[0]?.cells ?? []).length;
    for (const { cells, number } of table) this.takeData(cells, number);
  }

  private takeData(row: readonly string[], number: number): void {
    if (row.length !== this.width && this.raggedCount++ < KEPT_NOTES) this.ragged.push({ row: number, cells: row.length });
    this.rowNumbers.add(number);
    if (!this.sample) return this.push(row, number);
    this.sample.push(row);
    if (this.sample.length === SAMPLE_ROWS) this.choosePlans();
  }

  /** Chooses types from what was seen so far, once. */
  private choosePlans(): void {
    const { sample } = this;
    if (!sample) return;
    this.sample = undefined;
    const width = sample.reduce((widest, row) => Math.max(widest, row.length), this.header?.length ?? 0);
    const expected = expectedRows(sample, this.bytes);
    if (width * Math.min(expected, sample.length) > MAX_CELLS) throw new TooLarge(0, { code: 'too-many-cells', limit: MAX_CELLS });
    // A guess that would fill the memory is grown into instead.
    const memory = Math.min(expected, Math.ceil(MAX_CELLS / Math.max(1, width)));
    for (let i = 0; i < width; i++) this.readers.push(new ColumnReader(this.names.add(this.header?.[i]), this.planAt(sample, i), memory));
    for (const row of sample) this.push(row, 0);
  }

  private planAt(sample: readonly (readonly string[])[], column: number): ColumnPlan {
    return (
      this.decided.get(column) ??
      planColumn(
        sample.map(row => row[column] ?? ''),
        this.delimiter,
      )
    );
  }

  private push(row: readonly string[], number: number): void {
    if (row.length > this.readers.length) this.widen(row.length, number);
    for (let i = 0; i < this.readers.length; i++) (this.readers[i] as ColumnReader).push(row[i]);
    if (++this.rowCount * this.readers.length > MAX_CELLS) throw new TooLarge(number, { code: 'too-many-cells', limit: MAX_CELLS });
  }

  /** A row wider than any in the sample: its extra cells get columns that are missing above. */
  private widen(width: number, number: number): void {
    if (width * this.rowCount > MAX_CELLS) throw new TooLarge(number, { code: 'too-many-cells', limit: MAX_CELLS });
    while (this.readers.length < width) {
      const reader = new ColumnReader(this.names.add(undefined), textPlan(), this.rowCount + 1);
      reader.skip(this.rowCount);
      this.readers.push(reader);
    }
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
  size = 0;
  private readonly shifts: { readonly from: number; readonly by: number }[] = [];

  add(number: number): void {
    const by = number - this.size;
    if (this.shifts.at(-1)?.by !== by) this.shifts.push({ from: this.size, by });
    this.size++;
  }

  at(dataRow: number): number {
    return dataRow + (this.shifts.findLast(shift => shift.from <= dataRow)?.by ?? 0);
  }
}
