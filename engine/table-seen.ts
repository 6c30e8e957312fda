import type { Making } from 'core/document';
import type { ColumnStats, ColumnType } from 'core/table';
import type { Found, MendOutcome } from 'core/mend';
import type { MakingNote } from 'core/table/steps';

/** A table to be looked at: one of the project, or what one would be if it were made so. */
export interface TableAsk {
  readonly table: string;
  readonly making: Making | null;
  /** Words that a row must hold in one of its cells, whatever their capitals; empty for all rows. */
  readonly find: string;
  /** A formula that must be true in a row; null for all rows. */
  readonly where: string | null;
  /** Only these rows, by their places in the source; null for all. */
  readonly only: readonly number[] | null;
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
  /** Of which table. */
  readonly table: string;
  readonly rowCount: number;
  readonly columns: readonly ColumnLook[];
  /** What has to be known of how it was made. */
  readonly notes: readonly MakingNote[];
  /** One statement that gives the same rows, in no order; null for a table with a source of its own. */
  readonly sql: string | null;
  /** What became of each of its mends, in their order. */
  readonly mended: readonly MendOutcome[];
  /** How many rows hold what was looked for. */
  readonly found: number;
  /** The first of them, by their places in the source, as texts; null where missing. */
  readonly rows: readonly { readonly row: number; readonly cells: readonly (string | null)[] }[];
}

/** What looks wrong in a table, its rows by their places in the source. */
export type MendFindings = readonly Found[];
