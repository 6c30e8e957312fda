import type { Making } from 'core/document';
import type { ColumnStats, ColumnType } from 'core/table';
import type { MakingNote } from 'core/table/steps';

/** A table to be looked at: one of the project, or what one would be if it were made so. */
export interface TableAsk {
  readonly table: string;
  readonly making: Making | null;
  /** Words that a row must hold in one of its cells, whatever their capitals; empty for all rows. */
  readonly find: string;
}

/** A column at a glance. `bins`: of its values from low to high, or of its most frequent ones, each from 0 to 1 of the fullest. */
export interface ColumnLook {
  readonly name: string;
  readonly type: ColumnType;
  readonly stats: ColumnStats;
  readonly bins: readonly number[];
}

/** A table at a glance, with its first rows. */
export interface TableLook {
  readonly rowCount: number;
  readonly columns: readonly ColumnLook[];
  /** What has to be known of how it was made. */
  readonly notes: readonly MakingNote[];
  /** One statement that gives the same rows, in no order; null for a table with a source of its own. */
  readonly sql: string | null;
  /** How many rows hold what was looked for. */
  readonly found: number;
  /** The first of them, by their places in the table, as texts; null where missing. */
  readonly rows: readonly { readonly row: number; readonly cells: readonly (string | null)[] }[];
}
