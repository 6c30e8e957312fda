import type { FormulaProblem } from 'core/result';
import type { ColumnType } from 'core/table';
import type { Expr } from '../tree/ast';
import type { Typed } from '../evaluate/typed';
import type { TypedType } from './types';

/** Where a formula stands decides what it may use (FORMULA.md): see `Place` there. */
export type FormulaPlace = 'column' | 'filter' | 'measure';

/** The columns a formula sees. */
export type Scope = ReadonlyMap<string, ColumnType>;

/** Thrown inside the checker only, so that the first fault ends the walk; `checkFormula` turns it into a value. */
export class Fault extends Error {
  constructor(readonly problem: FormulaProblem) {
    super(problem.code);
  }
}

/** A problem before its place is known. */
export type Unplaced = FormulaProblem extends infer P ? (P extends FormulaProblem ? Omit<P, 'at' | 'words'> : never) : never;

/** The interface that the walk through a formula offers to the parts that check it. */
export interface Checking {
  readonly text: string;
  readonly scope: Scope;
  readonly place: FormulaPlace;
  readonly insideAggregate: boolean;
  inside(): Checking;
  fault(expr: Expr, problem: Unplaced): Fault;
  expr(expr: Expr): Typed;
  /** Checks a part and demands a type of it; a bare missing value fits every type. */
  typed(expr: Expr, ...needs: readonly ColumnType[]): Typed;
  /** Checks parts that must share one type; gives that type. */
  alike(exprs: readonly Expr[]): { parts: Typed[]; type: TypedType };
}
