import type { ColumnType } from 'core/table';
import type { TypedType } from '../check/types';
import type { Vec } from '../evaluate/vec';

/** The heading under which the reference lists a function. */
export type FunctionGroup = 'number' | 'missing' | 'text' | 'date' | 'aggregate' | 'window';

/** The help of a function, for the reference, completion and messages. */
export interface FunctionHelp {
  readonly group: FunctionGroup;
  /** How it is called, such as `round(x[, n])`. */
  readonly signature: string;
  readonly help: string;
  readonly example: string;
}

/** One scalar function of the language: value in, value out, row by row. */
export interface Scalar extends FunctionHelp {
  /** Fewest and most arguments, and words for the range. */
  readonly arity: readonly [least: number, most: number, words: string];
  /** Types of the arguments, the last one for all that follow; 'same': all share one type, which is also the result's. */
  readonly takes: readonly (readonly ColumnType[])[] | 'same';
  /** 'same' or 'second': the result has the type of all arguments, or of the second one. */
  readonly gives: ColumnType | 'same' | 'second';
  readonly run: (args: readonly Vec[], rows: number) => Vec;
  /** SQL text where `name(args)` alone would fail or differ, such as a guard against values without a result. */
  readonly sql?: (args: readonly string[], type: TypedType) => string;
  /** Whether the result may be missing though no argument is; any function of numbers may. */
  readonly lacks?: boolean;
  /** Words allowed as the first argument, written as a literal. */
  readonly words?: readonly string[];
}
