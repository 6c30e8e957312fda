import type { CrosstabChoice } from 'core/document';
import type { PlanWords } from '../words/plan-words';

/** A figure that is a table: heads, rows and cells, with what cues add to them. Lists of cells run row by row, `columns.length` cells per row. */
export interface TablePlan extends PlanWords {
  readonly kind: 'table';
  /** Names of the columns that rows are nested in, outermost first. */
  readonly levels: readonly string[];
  /** Rows of heads above the cells, from the top; the lowest has one head per column. */
  readonly heads: readonly (readonly TableHead[])[];
  readonly columns: readonly TableColumn[];
  readonly rows: readonly TableRow[];
  readonly cells: TableCells;
  readonly lines: CrosstabChoice['lines'];
  /** Long names of rows take two lines instead of being cut off. */
  readonly wraps: boolean;
}

/** A head above one or several columns. `text` as shown, cut where it is too long; `full` is the whole text. */
export interface TableHead {
  readonly text: string;
  readonly full: string;
  readonly span: number;
  readonly kind: 'cells' | 'total' | 'trend';
}

/** A column of cells. `width`: in CSS pixels; null where its content decides. */
export interface TableColumn {
  readonly measure: string;
  readonly kind: 'cells' | 'total' | 'trend';
  readonly align: 'left' | 'middle' | 'right';
  readonly width: number | null;
  /** Where zero stands among its bars, 0 to 1; null where it has none. */
  readonly zero: number | null;
}

/** A row. `names`: of its levels, outermost first; empty for levels below that of a total. */
export interface TableRow {
  readonly kind: 'cells' | 'part' | 'others' | 'total';
  readonly depth: number;
  readonly names: readonly string[];
  /** How many names, from the left, repeat those of the row before. */
  readonly same: number;
}

/** The contents of the cells. Colours are hex; empty for none of its own. */
export interface TableCells {
  readonly texts: readonly string[];
  readonly values: Float64Array;
  /** The row of the frame; −1 for totals and empty cells. */
  readonly rows: Int32Array;
  readonly grounds: readonly string[];
  readonly inks: readonly string[];
  /** The number of the cue that colours it, 0 for none. */
  readonly marked: Uint8Array;
  readonly outlined: Uint8Array;
  /** Text beside the value, where a cue adds one. */
  readonly labels: Readonly<Record<number, string>>;
  readonly glyphs: Readonly<Record<number, { readonly glyph: string; readonly colour: string }>>;
  /** The end of a bar, 0 to 1 along its column; NaN for none. */
  readonly bars: Float64Array;
  readonly barColours: readonly string[];
  /** Small lines: values along the columns, NaN for missing, and the colours of marked points. */
  readonly trends: Readonly<Record<number, Trend>>;
}

/** A small line within a cell: heights from 0 to 1 on one scale per column, NaN for gaps. */
export interface Trend {
  readonly at: Float64Array;
  /** Indexes of the points that cues mark, and their colours. */
  readonly marked: readonly { readonly at: number; readonly colour: string }[];
}
