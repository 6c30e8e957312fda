import type { FormulaProblem } from 'core/result';
import type { ColumnType } from 'core/table';
import type { Expr } from '../tree/ast';
import type { Typed } from '../evaluate/typed';
import type { TypedType } from './types';

/** The place of a formula, which decides what it may use (see `Place` in FORMULA.md). */
export type FormulaPlace = 'column' | 'filter' | 'measure';

/** The columns that a formula can name, with their types. */
export type Scope = ReadonlyMap<string, ColumnType>;

/** Thrown inside the checker only, to stop at a fault; `checkFormula` turns it into a value. */
export class Fault extends Error {
  constructor(readonly problem: FormulaProblem) {
    super(problem.code);
  }
}

/** A problem without its place in the text. */
export type Unplaced = FormulaProblem extends infer P ? (P extends FormulaProblem ? Omit<P, 'at' | 'words'> : never) : never;

/** The checker's interface for the files that check parts of a formula. */
export interface Checking {
  readonly text: string;
  readonly scope: Scope;
  readonly place: FormulaPlace;
  readonly insideAggregate: boolean;
  inside(): Checking;
  fault(expr: Expr, problem: Unplaced): Fault;
  expr(expr: Expr): Typed;
  /** Checks a part and demands a type; a bare missing value fits every type. */
  typed(expr: Expr, ...needs: readonly ColumnType[]): Typed;
  /** Checks parts that must share one type; gives that type. */
  alike(exprs: readonly Expr[]): { parts: Typed[]; type: TypedType };
}
