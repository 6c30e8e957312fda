import type { Level } from './levels';

/** Cells of a crosstab, at most; rows beyond are left out and said. */
export const MOST_CELLS = 120_000;
/** Columns of a crosstab, at most, its measures counted once. */
export const MOST_COLUMNS = 200;

/** A row of a crosstab: a value of the innermost level, the total of a value of an outer one, the rest of a level that keeps so many alone, or the total of all. */
export interface CrosstabRow {
  readonly kind: 'cells' | 'part' | 'others' | 'total';
  /** The level that it stands for, outermost 0; −1 for the total of all. */
  readonly depth: number;
  /** A row of the frame that has its values of the levels down to `depth`; for the rest of a level, down to the one above. */
  readonly of: number;
  /** How many values the others stand for. */
  readonly folded: number;
}

/** A column of a crosstab: a value of the series, or the total of each row. */
export interface CrosstabColumn {
  readonly kind: 'cells' | 'total';
  /** A row of the frame that has its value. */
  readonly of: number;
}

/** A frame spread out into rows and columns. All lists of cells run row by row. */
export interface Crosstab {
  /** The columns that rows are nested in, outermost first, the category last. */
  readonly levels: readonly Level[];
  /** The column of the frame whose values are the columns; null for none, where there is one column for each measure. */
  readonly across: string | null;
  readonly measures: readonly string[];
  /** In the order of reading. */
  readonly rows: readonly CrosstabRow[];
  readonly columns: readonly CrosstabColumn[];
  /** By measure: a value for each row and column; missing where there are no rows behind it. */
  readonly values: Readonly<Record<string, Float64Array>>;
  /** The frame's row of each cell; −1 for totals, and where there is none. */
  readonly frameRows: Int32Array;
  /** What there is no room for. */
  readonly left: { readonly rows: number; readonly columns: number };
}
