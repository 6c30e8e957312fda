import type { Cell } from 'core/table';

/** A marker that a cell shows beside its value. */
export type CellMark = 'edited' | 'what-if' | 'edited-below' | null;

/** A column as the grid shows it; everything is asked by row, so no row object is ever made. */
export interface GridColumn {
  readonly name: string;
  readonly numeric: boolean;
  /** For sorting. */
  readonly value: (row: number) => Cell;
  /** For reading; missing is the empty text. */
  readonly text: (row: number) => string;
  readonly mark: (row: number) => CellMark;
  readonly editable: (row: number) => boolean;
  /** The cell sums up several rows: Enter opens them. */
  readonly opens: (row: number) => boolean;
  /** Helper columns: the cue they belong to, null for one by hand, its colour, and the formula. */
  readonly helper?: HelperHead;
}

/** The head of a helper column: its cue's number and kind (null for one by hand), its colour, its formula. */
export interface HelperHead {
  readonly cue: { readonly number: number; readonly kind: string } | null;
  readonly colour: string | null;
  readonly formula: string;
}

/** A place in the grid, by row of the data and column name. */
export interface CellAddress {
  readonly row: number;
  readonly column: string;
}

/** A text typed or pasted at a place. */
export interface CellText extends CellAddress {
  readonly text: string;
}

/** A text that a cell did not take, with why and what stays. */
export interface RefusedText extends CellText {
  readonly words: string;
}
