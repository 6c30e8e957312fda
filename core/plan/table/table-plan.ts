import type { CrosstabChoice } from 'core/document';
import type { PlanWords } from '../words/plan-words';

/** A figure that is a table: heads, rows and cells with all that cues make of them. Lists of cells run row by row, `columns.length` to each. */
export interface TablePlan extends PlanWords {
  readonly kind: 'table';
  /** Names of the columns that rows are nested in, outermost first. */
  readonly levels: readonly string[];
  /** Rows of heads above the cells, the topmost first; the lowest has one for each column. */
  readonly heads: readonly (readonly TableHead[])[];
  readonly columns: readonly TableColumn[];
  readonly rows: readonly TableRow[];
  readonly cells: TableCells;
  readonly lines: CrosstabChoice['lines'];
  /** Long names of rows take two lines instead of being cut off. */
  readonly wraps: boolean;
}

/** A head over one or several columns. `text` as it is shown, cut where it has no end; `full` as it is. */
export interface TableHead {
  readonly text: string;
  readonly full: string;
  readonly span: number;
  readonly kind: 'cells' | 'total' | 'trend';
}

/** A column of cells. `width`: in CSS pixels, null where its content decides. */
export interface TableColumn {
  readonly measure: string;
  readonly kind: 'cells' | 'total' | 'trend';
  readonly align: 'left' | 'middle' | 'right';
  readonly width: number | null;
  /** Where zero stands among its bars, 0 to 1; null where it has none. */
  readonly zero: number | null;
}

/** A row. `names`: of its levels, outermost first; empty below the level that it stands for. */
export interface TableRow {
  readonly kind: 'cells' | 'part' | 'others' | 'total';
  readonly depth: number;
  readonly names: readonly string[];
  /** The same names as the row before has, so many from the left: they need not be read again. */
  readonly same: number;
}

/** What stands in the cells. Colours are hex; empty where a cell has none of its own. */
export interface TableCells {
  readonly texts: readonly string[];
  readonly values: Float64Array;
  /** The frame's row; −1 for totals and what has no rows. */
  readonly rows: Int32Array;
  readonly grounds: readonly string[];
  readonly inks: readonly string[];
  /** The number of the cue that colours it, 0 for none. */
  readonly marked: Uint8Array;
  readonly outlined: Uint8Array;
  /** Beside the value, where a cue says something. */
  readonly labels: Readonly<Record<number, string>>;
  readonly glyphs: Readonly<Record<number, { readonly glyph: string; readonly colour: string }>>;
  /** Where a bar ends, from 0 to 1 along its column; NaN for none. */
  readonly bars: Float64Array;
  readonly barColours: readonly string[];
  /** Small lines: values along the columns, missing where there are none, and the marked points' colours. */
  readonly trends: Readonly<Record<number, Trend>>;
}

/** A small line within a cell: places from 0 to 1, NaN for gaps, all of a column's on one scale. */
export interface Trend {
  readonly at: Float64Array;
  /** Points that cues mark: which, and in which colour. */
  readonly marked: readonly { readonly at: number; readonly colour: string }[];
}
