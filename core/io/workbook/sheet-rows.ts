import type { FileProblem } from 'core/result';
import type { Intake } from 'core/table';
import type { ImportedTable } from '../imported';
import { parseNumber } from '../columns/numbers';
import { MAX_CELLS, MAX_COLUMNS, RowRun, TooLarge } from '../text/row-run';
import type { SheetCells } from './sheet-cells';
import { joinedHead } from './sheet-head';

// Most texts begin otherwise, and need not be tried.
const MAY_BE_NUMBER = /^[\s(+\-−\d.,]/;
// Titles and names stand in the first rows.
const TITLE_ROWS = 30;
// Rows after which progress is told.
const STEP = 4_096;

/** A sheet's head: what stands above the first row of data, and the names that were joined. */
interface Head {
  readonly above: number;
  readonly names: readonly string[] | undefined;
  readonly notes: readonly FileProblem[];
}

/** The rows of a sheet that are to be read, as texts. A row is known here by its place among them. */
export class SheetRows {
  /** Places of the rows among those of the sheet that hold anything. */
  private readonly rows: number[] = [];
  /** Columns that hold anything, in order, and the place of each. */
  private readonly columns: readonly number[];
  private readonly places: ReadonlyMap<number, number>;
  /** Columns in which a date has a time. */
  private readonly timed = new Set<number>();
  private titles = 0;
  private hidden = 0;
  private errors = 0;
  private error = '';
  /** Texts that are numbers, by their columns. */
  private readonly textNumbers = new Map<number, number>();
  /** Texts that a merge repeats, by row and column. */
  private readonly merged = new Map<number, Map<number, string>>();
  private filled = 0;

  constructor(
    private readonly cells: SheetCells,
    private readonly intake: Intake,
  ) {
    this.columns = this.look();
    this.places = new Map(this.columns.map((column, at) => [column, at]));
    this.titles = this.titleRows();
  }

  get rowCount(): number {
    return this.columns.length ? this.rows.length : 0;
  }

  /** The table of them; `onProgress` is told the share of the rows that were read. */
  table(name: string, onProgress: (share: number) => void): ImportedTable {
    const placeOf = new Map(this.rows.map((_, at) => [this.numberOf(at), at]));
    const { above, names, notes } = this.head(placeOf);
    this.fill(above, placeOf);
    const run = (decided: ReturnType<RowRun['betterPlans']>): RowRun => {
      const taking = new RowRun({
        delimiter: '\t',
        intake: this.intake,
        decided,
        names,
        size: { rows: this.rows.length },
        mayBeGuarded: false,
        counts: 'row',
      });
      for (let at = above; at < this.rows.length; at++) {
        taking.take(this.textsOf(at), this.numberOf(at));
        if (at % STEP === 0) onProgress(at / this.rows.length);
      }
      taking.finish();
      return taking;
    };
    const first = run(new Map());
    const better = first.betterPlans();
    const read = (better.size ? run(better) : first).table(name, row => row + 1, [...notes, ...this.notes()]);
    return { ...read, notes: [...read.notes, ...this.textNumberNotes(read)] };
  }

  private numberOf(at: number): number {
    return this.cells.numberOf(this.rows[at] as number);
  }

  /** Which rows and columns hold anything, which columns have times. A title takes no column of its own. */
  private look(): number[] {
    const { cells, intake } = this;
    const { top = 1, left = 1, bottom, right } = intake.range ?? {};
    const [used, ofTitles] = [new Set<number>(), new Set<number>()];
    let count = 0;
    for (let place = 0; place < cells.rowCount; place++) {
      const row = cells.numberOf(place);
      if (row < top - 1 || row >= (bottom ?? Infinity) || this.isOut(place)) continue;
      const filled = this.filledIn(place, left - 1, right ?? Infinity);
      if (filled.length === 0) continue;
      this.rows.push(place);
      const isTitle = used.size === 0 && filled.length === 1 && row < TITLE_ROWS && cells.kind(filled[0] as number) === 'text';
      for (const cell of filled) (isTitle ? ofTitles : used).add(cells.column(cell));
      count += filled.length;
      if (used.size > MAX_COLUMNS) throw new TooLarge(row, { code: 'too-many-columns', limit: MAX_COLUMNS });
      if (count > MAX_CELLS) throw new TooLarge(row, { code: 'too-many-cells', limit: MAX_CELLS });
    }
    return [...(used.size ? used : ofTitles)].sort((a, b) => a - b);
  }

  /** Cells of a row that are to be read; what is told of them is counted. */
  private filledIn(place: number, left: number, right: number): number[] {
    const { cells } = this;
    const filled: number[] = [];
    for (let cell = cells.start(place); cell < cells.start(place + 1); cell++) {
      const column = cells.column(cell);
      if (column < left || column >= right) continue;
      filled.push(cell);
      const kind = cells.kind(cell);
      if (kind === 'moment') this.timed.add(column);
      if (kind === 'error' && this.errors++ === 0) this.error = cells.errorName(cell);
      if (kind === 'text') this.countTextNumber(column, cells.text(cell, false));
    }
    return filled;
  }

  private countTextNumber(column: number, text: string): void {
    if (MAY_BE_NUMBER.test(text) && !Number.isNaN(parseNumber(text))) this.textNumbers.set(column, (this.textNumbers.get(column) ?? 0) + 1);
  }

  private isOut(place: number): boolean {
    const isHidden = this.cells.isHiddenAt(place);
    if (isHidden) this.hidden++;
    return isHidden && this.intake.hidden === 'out';
  }

  /** How many of the first rows hold one text at most. A title stands alone in its row, wherever in it: the cells beside it are none. */
  private titleRows(): number {
    const at = this.rows.findIndex((_, i) => this.numberOf(i) >= TITLE_ROWS || this.textsOf(i).filter(text => text !== '').length > 1);
    return at < 0 ? this.rows.length : at;
  }

  private textsOf(at: number): string[] {
    const { cells, columns } = this;
    const place = this.rows[at] as number;
    if (at < this.titles && columns.length > 1) return [cells.text(cells.start(place), true)];
    const texts = new Array<string>(columns.length).fill('');
    for (let cell = cells.start(place); cell < cells.start(place + 1); cell++) {
      const column = cells.column(cell);
      const i = this.places.get(column);
      if (i !== undefined) texts[i] = cells.text(cell, this.timed.has(column));
    }
    for (const [i, text] of this.merged.get(at) ?? []) texts[i] = text;
    return texts;
  }

  /** Texts merged over rows stand in each of them; a number would count several times there. */
  private fill(above: number, placeOf: ReadonlyMap<number, number>): void {
    const lastRow = this.numberOf(this.rows.length - 1);
    for (const { top, left, bottom } of this.cells.merges) {
      const [from, column] = [placeOf.get(top) ?? -1, this.places.get(left)];
      const text = column === undefined || bottom === top || from < above ? undefined : this.mergedText(from, left);
      if (text === undefined || column === undefined) continue;
      this.filled++;
      for (let row = top + 1; row <= Math.min(bottom, lastRow); row++) this.repeat(placeOf.get(row), column, text);
    }
  }

  private mergedText(at: number, column: number): string | undefined {
    const cell = this.cells.cellAt(this.rows[at] as number, column);
    return cell !== undefined && this.cells.kind(cell) === 'text' ? this.cells.text(cell, false) : undefined;
  }

  private repeat(at: number | undefined, column: number, text: string): void {
    if (at === undefined) return;
    const texts = this.merged.get(at) ?? new Map<number, string>();
    this.merged.set(at, texts.set(column, text));
  }

  /** Rows of names that a merge joins; else the rows tell by themselves. */
  private head(placeOf: ReadonlyMap<number, number>): Head {
    const none = { above: 0, names: undefined, notes: [] };
    if (this.intake.names !== 'found' || this.intake.above !== null) return none;
    const top = Array.from({ length: Math.min(this.rows.length, TITLE_ROWS + 2) }, (_, at) => this.textsOf(at));
    const merges = this.cells.merges.flatMap(({ top: upper, left, bottom, right }) => {
      const first = placeOf.get(upper) ?? Infinity;
      if (first > TITLE_ROWS) return [];
      const [from, to] = [this.columns.findIndex(column => column >= left), this.columns.findLastIndex(column => column <= right)];
      return from < 0
        ? []
        : [{ top: first, left: from, bottom: this.rows.findLastIndex((_, at) => this.numberOf(at) <= bottom), right: to }];
    });
    const isValue = (row: number, column: number): boolean => {
      const cell = this.cells.cellAt(this.rows[row] as number, this.columns[column] as number);
      return cell !== undefined && this.cells.kind(cell) !== 'text';
    };
    const joined = joinedHead(top, merges, isValue);
    if (!joined) return none;
    const { first, last, names } = joined;
    const title: FileProblem[] = first > 0 ? [{ code: 'lines-above', count: first, text: (top[0] ?? []).join(' ').trim() }] : [];
    const example = names.find(name => name.includes(' ')) ?? '';
    return { above: last + 1, names, notes: [...title, { code: 'headers-joined', rows: last - first + 1, example }] };
  }

  private notes(): FileProblem[] {
    const { hidden, errors, error, filled } = this;
    return [
      ...(hidden ? [{ code: 'rows-hidden' as const, count: hidden, isKept: this.intake.hidden === 'kept' }] : []),
      ...(filled ? [{ code: 'merges-filled' as const, count: filled }] : []),
      ...(errors ? [{ code: 'errors-missing' as const, count: errors, example: error }] : []),
    ];
  }

  private textNumberNotes({ columns }: ImportedTable): FileProblem[] {
    return columns.flatMap(({ name, type }, i) => {
      const count = this.textNumbers.get(this.columns[i] as number) ?? 0;
      return type === 'number' && name !== null && count > 0 ? [{ code: 'numbers-as-text' as const, column: name, count }] : [];
    });
  }
}
