import type { ColumnType } from 'core/table';
import type { Vec } from '../evaluate/vec';
import type { FunctionHelp } from './entry';

/** Rows by group: `ids[row]` from 0 to `count` − 1; null when all rows form one group. */
export interface Groups {
  readonly ids: Int32Array | null;
  readonly count: number;
  readonly rows: number;
}

/** The order of values inside an ordered-set aggregate, and its fraction. */
export interface AggregateOptions {
  readonly fraction: number;
  readonly descending: boolean;
}

/** The state that a moving window keeps of its rows; see `sliding.ts`. */
export type SlidingKind = 'sum' | 'variance' | 'pair' | 'min' | 'max' | 'count' | 'sorted';

/** One aggregate of the language. Missing values are skipped; `run` gives one value per group. */
export interface Aggregate extends FunctionHelp {
  readonly takes: readonly ColumnType[] | 'any';
  readonly gives: 'number' | 'same';
  /** It takes two numbers per row. */
  readonly pair?: boolean;
  /** Written `name(p) within group (order by x)`; `fraction`: p is a share from 0 to 1. */
  readonly within?: 'fraction' | 'plain';
  readonly sliding: SlidingKind;
  readonly run: (args: readonly Vec[], groups: Groups, options: AggregateOptions) => Vec;
}
