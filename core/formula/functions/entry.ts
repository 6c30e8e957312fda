import type { ColumnType } from 'core/table';
import type { TypedType } from '../check/types';
import type { Vec } from '../evaluate/vec';

/** Under which head the reference lists a function. */
export type FunctionGroup = 'number' | 'missing' | 'text' | 'date' | 'aggregate' | 'window';

/** The words about a function for the reference, completion and messages. */
export interface FunctionHelp {
  readonly group: FunctionGroup;
  /** How it is called, such as `round(x[, n])`. */
  readonly signature: string;
  readonly help: string;
  readonly example: string;
}

/** One scalar function of the language: value in, value out, row by row. */
export interface Scalar extends FunctionHelp {
  /** Fewest and most arguments, and the same in words. */
  readonly arity: readonly [least: number, most: number, words: string];
  /** Types per argument, the last for all that follow; 'same': all share one type, which is the result's. */
  readonly takes: readonly (readonly ColumnType[])[] | 'same';
  /** 'same' or 'second': the type of all arguments, or of the second one. */
  readonly gives: ColumnType | 'same' | 'second';
  readonly run: (args: readonly Vec[], rows: number) => Vec;
  /** SQL text where `name(args)` alone would fail or differ: a guard against values that have no result. */
  readonly sql?: (args: readonly string[], type: TypedType) => string;
  /** May have no value though all its arguments do; every function of numbers may. */
  readonly lacks?: boolean;
  /** Words that the first argument must be one of, written as a literal. */
  readonly words?: readonly string[];
}
