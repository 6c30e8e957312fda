import type { Cell, ColumnType } from 'core/table';
import type { ArithmeticOp, CompareOp } from './ast';
import type { AggregateName, RankName, ScalarName } from './functions';

/** `null` is the type of a bare missing value, which fits everywhere. */
export type TypedType = ColumnType | 'null';

export interface TypedOrder {
  readonly by: Typed;
  readonly descending: boolean;
  readonly nullsFirst: boolean;
}

/**
 * A checked formula: every name resolved, every type known, shorthand (between, in, simple case) written out.
 * `key` is its canonical SQL text; equal keys mean equal values, so the evaluator computes each key once.
 */
export type Typed = { readonly type: TypedType; readonly key: string } & (
  | { readonly op: 'constant'; readonly value: Cell }
  | { readonly op: 'column'; readonly name: string }
  | { readonly op: 'negate' | 'not'; readonly arg: Typed }
  | { readonly op: 'arithmetic'; readonly sign: ArithmeticOp; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'compare'; readonly sign: CompareOp; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'and' | 'or'; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'is-null'; readonly arg: Typed; readonly negated: boolean }
  | { readonly op: 'is-distinct'; readonly left: Typed; readonly right: Typed; readonly negated: boolean }
  | { readonly op: 'case'; readonly branches: readonly TypedBranch[]; readonly otherwise: Typed | null }
  | { readonly op: 'scalar'; readonly name: ScalarName; readonly args: readonly Typed[] }
  | TypedAggregate
  | TypedRank
);

export interface TypedBranch {
  readonly when: Typed;
  readonly then: Typed;
}

export interface TypedAggregate {
  readonly op: 'aggregate';
  readonly name: AggregateName;
  /** Null for `count(*)`. */
  readonly arg: Typed | null;
  readonly filter: Typed | null;
  /** Null outside a window: the groups of the measure. */
  readonly partition: readonly Typed[] | null;
}

export interface TypedRank {
  readonly op: 'rank';
  readonly name: RankName;
  readonly partition: readonly Typed[];
  readonly order: readonly TypedOrder[];
}
