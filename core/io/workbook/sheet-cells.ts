import { isoDate, isoTimestamp } from 'core/table';
import { MAX_CELLS, TooLarge } from '../text/row-run';
import { isMidnight, momentOf, timeText, type NumberFormat } from './number-format';
import type { Merge } from './sheet-head';

const KINDS = ['number', 'text', 'date', 'moment', 'time', 'answer', 'error'] as const;

/** What a cell of a sheet is, as far as reading it goes. */
export type SheetKind = (typeof KINDS)[number];

const CODES = Object.fromEntries(KINDS.map((kind, code) => [kind, code])) as Readonly<Record<SheetKind, number>>;

/**
 * The cells of one sheet that hold something, row by row from the top and from the left, in typed memory: 13 bytes a cell, and each text once. Rows and
 * columns are counted from 0; a row is also known by its place among those that hold something.
 */
export class SheetCells {
  /** Cells that are merged into one. */
  readonly merges: Merge[] = [];
  private readonly blocks: Block[] = [];
  private readonly rows: number[] = [];
  private readonly starts: number[] = [];
  private readonly hiddenRows = new Set<number>();
  private readonly codes = new Map<string, number>();
  private row = 0;
  private isHidden = false;
  private size = 0;

  /** `texts`: those that cells name by their place; other texts are added to them. */
  constructor(
    private readonly is1904 = false,
    private readonly texts: string[] = [],
  ) {}

  /** Rows that hold something. */
  get rowCount(): number {
    return this.rows.length;
  }

  /** The row that the next cells are of. */
  beginRow(row: number, isHidden: boolean): void {
    [this.row, this.isHidden] = [row, isHidden];
  }

  /** A number, which is a day or a time where its format says so. */
  putNumber(column: number, value: number, format: NumberFormat): void {
    if (format.kind === 'number') this.put(column, 'number', value);
    else if (format.kind === 'time') this.put(column, 'time', this.codeOf(timeText(format, value)));
    else this.putMoment(column, momentOf(value, this.is1904));
  }

  /** A day, or a day with a time, in milliseconds since 1970. */
  putMoment(column: number, ms: number): void {
    this.put(column, isMidnight(ms) ? 'date' : 'moment', ms);
  }

  /** A text; an empty one is nothing. */
  putText(column: number, text: string): void {
    if (text !== '') this.put(column, 'text', this.codeOf(text));
  }

  /** A text by its place among the shared ones; whether there is one. */
  putShared(column: number, at: number): boolean {
    const text = this.texts[at];
    if (text) this.put(column, 'text', at);
    return text !== undefined;
  }

  /** Yes or no. */
  putAnswer(column: number, answer: boolean): void {
    this.put(column, 'answer', Number(answer));
  }

  /** An error, by its name. */
  putError(column: number, name: string): void {
    this.put(column, 'error', this.codeOf(name));
  }

  /** The number of a row by its place. */
  numberOf(place: number): number {
    return this.rows[place] as number;
  }

  /** Whether a row is hidden, by its place. */
  isHiddenAt(place: number): boolean {
    return this.hiddenRows.has(this.numberOf(place));
  }

  /** The first cell of a row by its place; that of the place behind the last is the number of cells. */
  start(place: number): number {
    return this.starts[place] ?? this.size;
  }

  /** The column of a cell. */
  column(cell: number): number {
    return blockOf(this.blocks, cell).columns[cell & LAST] as number;
  }

  /** What a cell is. */
  kind(cell: number): SheetKind {
    return KINDS[blockOf(this.blocks, cell).kinds[cell & LAST] as number] as SheetKind;
  }

  /** The cell of a column within a row, by the row's place; undefined where it holds nothing. */
  cellAt(place: number, column: number): number | undefined {
    for (let cell = this.start(place); cell < this.start(place + 1); cell++) if (this.column(cell) === column) return cell;
    return undefined;
  }

  /** The text of a cell that reads back as the same value; `timed`: whether dates of its column have a time. Errors are missing. */
  text(cell: number, timed: boolean): string {
    const { kinds, values } = blockOf(this.blocks, cell);
    const value = values[cell & LAST] as number;
    switch (KINDS[kinds[cell & LAST] as number]) {
      case 'number':
        // As String writes it, which would keep thousands of texts that nobody asks for again.
        return JSON.stringify(value);
      case 'answer':
        return String(value === 1);
      case 'text':
      case 'time':
        return this.texts[value] as string;
      case 'date':
      case 'moment':
        return timed ? isoTimestamp(value) : isoDate(Math.floor(value / MS_PER_DAY));
      default:
        return '';
    }
  }

  /** The name of a cell's error. */
  errorName(cell: number): string {
    return this.texts[blockOf(this.blocks, cell).values[cell & LAST] as number] ?? '';
  }

  private put(column: number, kind: SheetKind, value: number): void {
    if (this.rows.at(-1) !== this.row || this.rows.length === 0) this.addRow();
    const at = this.size & LAST;
    if (at === 0) this.blocks.push(emptyBlock());
    const { columns, kinds, values } = this.blocks[this.blocks.length - 1] as Block;
    [columns[at], kinds[at], values[at]] = [column, CODES[kind], value];
    if (++this.size > MAX_CELLS) throw new TooLarge(this.row, { code: 'too-many-cells', limit: MAX_CELLS });
  }

  private addRow(): void {
    this.rows.push(this.row);
    this.starts.push(this.size);
    if (this.isHidden) this.hiddenRows.add(this.row);
  }

  private codeOf(text: string): number {
    const before = this.codes.get(text);
    if (before !== undefined) return before;
    const code = this.texts.push(text) - 1;
    this.codes.set(text, code);
    return code;
  }
}

const MS_PER_DAY = 86_400_000;

/** As many cells as are made room for at once. */
interface Block {
  readonly columns: Int32Array;
  readonly kinds: Uint8Array;
  readonly values: Float64Array;
}

const SHIFT = 14;
const LAST = (1 << SHIFT) - 1;

const emptyBlock = (): Block => ({
  columns: new Int32Array(LAST + 1),
  kinds: new Uint8Array(LAST + 1),
  values: new Float64Array(LAST + 1),
});

const blockOf = (blocks: readonly Block[], cell: number): Block => blocks[cell >> SHIFT] as Block;
