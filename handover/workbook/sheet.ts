import { ROW, type SheetColumn, type SheetText } from 'core/formula';
import type { Cell, ColumnType } from 'core/table';

/** A column of a sheet: its cells, and the formula that computes them, where it has one. */
export interface CellColumn {
  readonly title: string;
  readonly type: ColumnType;
  readonly cells: readonly Cell[];
  /** Written into every row; null where the cells are values. */
  readonly formula: SheetText | null;
  /** Rows that hold their value all the same, such as a what-if. */
  readonly fixed?: ((row: number) => boolean) | undefined;
  /** How its numbers are written. */
  readonly style: string;
  /** What is said at its head. */
  readonly says: string;
  /** A column that formulas need and nobody has to read. */
  readonly isScratch?: boolean;
}

/** Rows that a sheet takes below its heads, and columns. */
export const [MOST_SHEET_ROWS, MOST_SHEET_COLUMNS] = [1_048_575, 16_384];

/** A sheet in the making: columns from left to right, their names in the first row. */
export class Sheet {
  readonly columns: CellColumn[] = [];
  private readonly scratch = new Map<string, SheetColumn | null>();

  constructor(
    readonly name: string,
    readonly rowCount: number,
    /** Columns that will stand first: what is scratch stands behind them. */
    private readonly reserved: number,
  ) {}

  /** How formulas refer to a column by its place; `foreign`: from other sheets. */
  at(place: number, isRaw: boolean, foreign = false): SheetColumn {
    const letter = letterOf(place);
    const sheet = foreign ? `'${this.name.replaceAll("'", "''")}'!` : '';
    return {
      cell: `${sheet}$${letter}${ROW}`,
      range: `${sheet}$${letter}$2:$${letter}$${Math.max(2, this.rowCount + 1)}`,
      isRaw,
    };
  }

  /** A column by a key of its own, made when it is first asked for. */
  keep(key: string, make: () => Omit<CellColumn, 'isScratch'> | null): SheetColumn | null {
    const known = this.scratch.get(key);
    if (known !== undefined) return known;
    const made = make();
    const place = this.reserved + this.extra.length;
    const column = made && place < MOST_SHEET_COLUMNS ? this.at(place, made.formula === null) : null;
    if (made && column) this.extra.push({ ...made, isScratch: true });
    this.scratch.set(key, column);
    return column;
  }

  private readonly extra: CellColumn[] = [];

  /** All columns, scratch behind. */
  all(): readonly CellColumn[] {
    return [...this.columns, ...this.extra];
  }
}

/** The letters of a column by its place from 0. */
export function letterOf(place: number): string {
  let [rest, letters] = [place + 1, ''];
  while (rest > 0) {
    letters = String.fromCharCode(65 + ((rest - 1) % 26)) + letters;
    rest = Math.floor((rest - 1) / 26);
  }
  return letters;
}

/** The formula of one row of its column; rows count from 0. */
export const formulaAt = ({ text }: SheetText, row: number): string => text.replaceAll(ROW, String(row + 2));

/** "Rows", or "Rows 2" where that is taken: no sheet may have another's name, or signs that name none. */
export function sheetName(wished: string, taken: Set<string>): string {
  const plain =
    wished
      .replace(/[[\]:*?/\\\u0000-\u001f]/g, ' ')
      .replace(/^'+|'+$/g, '')
      .trim()
      .slice(0, 26) || 'Sheet';
  let name = plain;
  for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${plain} ${n}`;
  taken.add(name.toLowerCase());
  return name;
}
