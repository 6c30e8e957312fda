import type { FileProblem } from 'core/result';
import { makeTable, named, PLAIN_INTAKE, type ColumnIntake, type Intake } from 'core/table';
import { textPlan, type ColumnPlan } from '../columns/column-plan';
import { ColumnReader } from '../columns/column-reader';
import { HeaderNames, TOP_ROWS, topAs } from './header';
import { stylesOf, type ImportedTable, type ReadColumn } from '../imported';
import { columnNotes, fewest, type LineOf } from './reading-notes';
import { wishedPlan } from '../columns/wished-plan';

/** Most columns of a table: enough in practice, too few to exhaust a browser. */
export const MAX_COLUMNS = 20_000;
/** Most cells of a table. */
export const MAX_CELLS = 150_000_000;

// Rows looked at before types are chosen.
const SAMPLE_ROWS = 2_000;
// Enough to show where a file is faulty; the rest is counted.
const KEPT_NOTES = 5;
// What stands below an empty row does not belong where it is so small a part.
const SMALL_PART = 0.2;

/** Thrown where a source is wider or larger than a table may be. */
export class TooLarge extends Error {
  constructor(
    readonly row: number,
    readonly problem: { readonly code: 'too-many-columns' | 'too-many-cells'; readonly limit: number },
  ) {
    super(problem.code);
  }
}

/** What is known before rows are read. */
export interface RunOptions {
  readonly delimiter: string;
  readonly intake?: Intake | undefined;
  /** Column names, where the source has them apart from its rows. */
  readonly names?: readonly string[] | undefined;
  /** Plans of columns that an earlier reading found. */
  readonly decided?: ReadonlyMap<number, ColumnPlan>;
  /** Expected size of the text in characters, or the most rows. */
  readonly size: number | { readonly rows: number };
  readonly mayBeGuarded?: boolean;
  /** Positions are rows of a sheet, not lines of a text. */
  readonly counts?: 'row';
}

interface NumberedRow {
  readonly cells: readonly string[];
  readonly number: number;
}

/** Builds the columns of one reading from rows that arrive one by one. */
export class RowRun {
  rowCount = 0;
  /** The first rows, until the header is decided. */
  private top: NumberedRow[] | undefined = [];
  private header: readonly string[] | undefined;
  /** Number of cells in the header, or in the first row where there is none. */
  private width = 0;
  private sample: (readonly string[])[] | undefined = [];
  private readers: ColumnReader[] = [];
  private readonly names = new HeaderNames();
  private readonly shown = new HeaderNames();
  private readonly topNotes: FileProblem[] = [];
  private readonly ragged: { readonly row: number; readonly cells: number }[] = [];
  private raggedCount = 0;
  private readonly rowNumbers = new RowNumbers();
  /** The last rows, which may be among those left out at the bottom. */
  private readonly held: NumberedRow[] = [];
  private readonly intake: Intake;
  private readonly wishes: ReadonlyMap<string, ColumnIntake>;

  constructor(private readonly options: RunOptions) {
    this.intake = options.intake ?? PLAIN_INTAKE;
    this.wishes = new Map(this.intake.columns.map(wish => [wish.name, wish]));
  }

  get hasHeader(): boolean {
    return this.header !== undefined;
  }

  /** Adds a row with its number in the source, from 0. Throws `TooLarge`. */
  take(row: readonly string[], number: number): void {
    if (row.length === 1 && (row[0] as string).trim() === '' && !this.options.names) return;
    if (row.length > MAX_COLUMNS) throw new TooLarge(number, { code: 'too-many-columns', limit: MAX_COLUMNS });
    if (!this.top) return this.hold(row, number);
    this.top.push({ cells: row, number });
    if (this.top.length === TOP_ROWS + (this.intake.above ?? 0)) this.settleTop();
  }

  /** Decides what is still open after the last row. */
  finish(): void {
    this.settleTop();
    this.choosePlans();
  }

  /** Better plans for columns whose first rows were misleading: they have to be read again. */
  betterPlans(): Map<number, ColumnPlan> {
    return new Map(
      this.readers.flatMap((reader, i) => {
        const better = reader.betterPlan();
        return better ? [[i, better] as const] : [];
      }),
    );
  }

  /** The table with its notes; `before`: notes that come first. */
  table(name: string, lineOf: LineOf, before: readonly FileProblem[]): ImportedTable {
    const columns = this.readers.map((reader, i) => this.columnRead(reader, i, lineOf));
    const kept = this.readers.flatMap((reader, i) => {
      const { name: as } = columns[i] as ReadColumn;
      return as === null ? [] : [named(as, reader.column())];
    });
    return {
      table: makeTable(name, kept),
      notes: [...before, ...this.notes(lineOf)],
      ...stylesOf(columns),
      columns,
      parts: [],
      part: null,
      origin: { kind: 'records' },
    };
  }

  private columnRead({ name, plan, misfits, misfitCount }: ColumnReader, i: number, lineOf: LineOf): ReadColumn {
    const source = this.names.names[i] as string;
    return {
      source,
      name: this.wishes.get(source)?.out ? null : name,
      type: plan.type,
      unit: plan.unit ?? null,
      reading: plan.reading,
      misfits: misfits.map(({ row, text }) => ({ row, line: lineOf(this.rowNumbers.at(row)), text })),
      misfitCount,
    };
  }

  private notes(lineOf: LineOf): FileProblem[] {
    const columns = this.width;
    const counts = this.options.counts ? { counts: this.options.counts } : {};
    const ragged = this.ragged.map(({ row, cells }) => ({ code: 'row-ragged' as const, line: lineOf(row), cells, columns, ...counts }));
    const more = this.raggedCount - this.ragged.length;
    const told = this.header ? fewest(this.names.notes, note => note) : [];
    return [
      ...this.topNotes,
      ...told,
      ...ragged,
      ...(more > 0 ? [{ code: 'rows-ragged-more' as const, count: more }] : []),
      ...this.beyond(lineOf),
      ...columnNotes(
        this.readers.filter((_, i) => !this.wishes.get(this.names.names[i] ?? '')?.out),
        row => lineOf(this.rowNumbers.at(row)),
        this.options.counts,
      ),
    ];
  }

  /** A few rows at the end, below an empty one: a note, a total or a second table, known by their position only. */
  private beyond(lineOf: LineOf): FileProblem[] {
    // Rows that were left out leave gaps of their own.
    if (this.options.counts === 'row' && this.intake.hidden === 'out') return [];
    const from = this.rowNumbers.lastGap();
    const count = this.rowCount - from;
    if (from <= 0 || count > Math.max(3, this.rowCount * SMALL_PART)) return [];
    return [
      {
        code: 'rows-beyond',
        count,
        line: lineOf(this.rowNumbers.at(from)),
        ...(this.options.counts ? { counts: this.options.counts } : {}),
      },
    ];
  }

  private settleTop(): void {
    const rows = this.top;
    if (!rows) return;
    this.top = undefined;
    const { names, delimiter } = this.options;
    if (names) this.header = names;
    else if (rows.length === 0) return;
    const cells = rows.map(row => row.cells);
    const { above, named: isNamed, notes } = names ? { above: 0, named: false, notes: [] } : topAs(cells, delimiter, this.intake);
    this.topNotes.push(...notes);
    const table = rows.slice(above);
    if (isNamed) this.header = table.shift()?.cells;
    this.width = (this.header ?? table[0]?.cells ?? []).length;
    for (const row of table) this.hold(row.cells, row.number);
  }

  /** Holds back the last rows until it is known whether they are left out. */
  private hold(cells: readonly string[], number: number): void {
    if (this.intake.below === 0) return this.takeData(cells, number);
    this.held.push({ cells, number });
    if (this.held.length <= this.intake.below) return;
    const first = this.held.shift() as NumberedRow;
    this.takeData(first.cells, first.number);
  }

  private takeData(row: readonly string[], number: number): void {
    if (row.length !== this.width && this.raggedCount++ < KEPT_NOTES) this.ragged.push({ row: number, cells: row.length });
    this.rowNumbers.add(number);
    if (!this.sample) return this.push(row, number);
    this.sample.push(row);
    if (this.sample.length === SAMPLE_ROWS) this.choosePlans();
  }

  /** Chooses the types from the rows so far, once. */
  private choosePlans(): void {
    const { sample } = this;
    if (!sample) return;
    this.sample = undefined;
    const width = sample.reduce((widest, row) => Math.max(widest, row.length), this.header?.length ?? 0);
    if (width > MAX_COLUMNS) throw new TooLarge(0, { code: 'too-many-columns', limit: MAX_COLUMNS });
    const expected = expectedRows(sample, this.options.size);
    if (width * Math.min(expected, sample.length) > MAX_CELLS) throw new TooLarge(0, { code: 'too-many-cells', limit: MAX_CELLS });
    // A guess that would fill the memory is grown into instead.
    const memory = Math.min(expected, Math.ceil(MAX_CELLS / Math.max(1, width)));
    for (let i = 0; i < width; i++) {
      const source = this.names.add(this.header?.[i]);
      const plan =
        this.options.decided?.get(i) ??
        this.planFor(
          sample.map(row => row[i] ?? ''),
          source,
        );
      this.readers.push(new ColumnReader(this.nameFor(source), plan, memory, this.options.mayBeGuarded));
    }
    for (const row of sample) this.push(row, 0);
  }

  private planFor(sample: readonly string[], source: string): ColumnPlan {
    return wishedPlan(sample, this.options.delimiter, this.wishes.get(source), this.intake.missing);
  }

  /** Its name in the table; a column that is left out takes no name from another. */
  private nameFor(source: string): string {
    const wish = this.wishes.get(source);
    return wish?.out ? source : this.shown.add(wish?.as ?? source);
  }

  private push(row: readonly string[], number: number): void {
    if (row.length > this.readers.length) this.widen(row.length, number);
    for (let i = 0; i < this.readers.length; i++) (this.readers[i] as ColumnReader).push(row[i]);
    if (++this.rowCount * this.readers.length > MAX_CELLS) throw new TooLarge(number, { code: 'too-many-cells', limit: MAX_CELLS });
  }

  /** Adds columns for a row wider than the sample; they are missing in earlier rows. */
  private widen(width: number, number: number): void {
    if (width * this.rowCount > MAX_CELLS) throw new TooLarge(number, { code: 'too-many-cells', limit: MAX_CELLS });
    while (this.readers.length < width) {
      const source = this.names.add(undefined);
      const plan = this.wishes.has(source) ? this.planFor([], source) : textPlan();
      const reader = new ColumnReader(this.nameFor(source), plan, this.rowCount + 1, this.options.mayBeGuarded);
      reader.skip(this.rowCount);
      this.readers.push(reader);
    }
  }
}

/** Approximate number of rows, from the length of the first ones; rather too many than too few. */
function expectedRows(sample: readonly (readonly string[])[], size: RunOptions['size']): number {
  if (typeof size !== 'number') return size.rows;
  let characters = 0;
  for (const row of sample) for (const cell of row) characters += cell.length + 1;
  const perRow = characters / Math.max(1, sample.length);
  return Math.ceil((size / Math.max(1, perRow)) * 1.02) + 16;
}

/** Row numbers of the source by data row. Blank lines shift them; only the shifts are stored. */
class RowNumbers {
  size = 0;
  private readonly shifts: { readonly from: number; readonly by: number }[] = [];

  add(number: number): void {
    const by = number - this.size;
    if (this.shifts.at(-1)?.by !== by) this.shifts.push({ from: this.size, by });
    this.size++;
  }

  /** The first row after the last gap; 0 where there is none. */
  lastGap(): number {
    return this.shifts.at(-1)?.from ?? 0;
  }

  at(dataRow: number): number {
    return dataRow + (this.shifts.findLast(shift => shift.from <= dataRow)?.by ?? 0);
  }
}
