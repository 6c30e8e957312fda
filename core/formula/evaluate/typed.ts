import type { Cell } from 'core/table';
import type { ArithmeticOp, CompareOp, LikeWord } from '../tree/ast';
import type { CastTarget } from './cast';
import type { DateField, Interval } from '../functions';
import type { TypedType } from '../check/types';

/** A key of an order, checked. */
export interface TypedOrder {
  readonly by: Typed;
  readonly descending: boolean;
  readonly nullsFirst: boolean;
}

/** One end of a window's frame, relative to the current row. Offsets: rows, key units, or an interval for moments. */
export type TypedBound =
  | { readonly kind: 'unbounded-preceding' | 'unbounded-following' | 'current' }
  | { readonly kind: 'preceding' | 'following'; readonly offset: number; readonly interval: Interval | null; readonly text: string };

/** Ends of a window, checked. */
export interface TypedBounds {
  readonly unit: 'rows' | 'range';
  readonly from: TypedBound;
  readonly to: TypedBound;
}

/** A window, checked. */
export interface TypedWindow {
  readonly partition: readonly Typed[];
  readonly order: readonly TypedOrder[];
  /** Null: the standard's default, up to the current row's peers with an order, else the whole partition. */
  readonly bounds: TypedBounds | null;
}

/**
 * A checked formula: every name resolved, every type known, shorthand (between, simple case) written out; what is written out twice is one and the
 * same part, so walks keep note of the parts they have seen.
 * `key` is its canonical text; equal keys mean equal values, so the evaluator computes each key once.
 */
export type Typed = { readonly type: TypedType; readonly key: string } & (
  | { readonly op: 'constant'; readonly value: Cell }
  | { readonly op: 'column'; readonly name: string }
  | { readonly op: 'negate' | 'not'; readonly arg: Typed }
  | { readonly op: 'arithmetic'; readonly sign: ArithmeticOp; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'days-between'; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'shift'; readonly arg: Typed; readonly interval: Interval; readonly text: string; readonly back: boolean }
  | { readonly op: 'join'; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'compare'; readonly sign: CompareOp; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'and' | 'or'; readonly left: Typed; readonly right: Typed }
  | { readonly op: 'is-null'; readonly arg: Typed; readonly negated: boolean }
  | { readonly op: 'is-truth'; readonly arg: Typed; readonly truth: boolean; readonly negated: boolean }
  /** True where it equals an item; missing where it equals none and it or an item is missing. */
  | { readonly op: 'in'; readonly arg: Typed; readonly items: readonly Typed[] }
  | { readonly op: 'is-distinct'; readonly left: Typed; readonly right: Typed; readonly negated: boolean }
  | { readonly op: 'like'; readonly how: LikeWord; readonly arg: Typed; readonly pattern: Typed; readonly escape: string }
  | { readonly op: 'case'; readonly branches: readonly TypedBranch[]; readonly otherwise: Typed | null }
  | { readonly op: 'cast'; readonly arg: Typed; readonly to: CastTarget; readonly name: string }
  | { readonly op: 'extract'; readonly arg: Typed; readonly field: DateField }
  | { readonly op: 'scalar'; readonly name: string; readonly args: readonly Typed[] }
  | TypedAggregate
  | TypedWindowCall
);

/** A branch of a `case`, checked. */
export interface TypedBranch {
  readonly when: Typed;
  readonly then: Typed;
}

/** An aggregate, checked. */
export interface TypedAggregate {
  readonly op: 'aggregate';
  readonly name: string;
  /** Empty for `count(*)`; two for `corr` and similar functions. */
  readonly args: readonly Typed[];
  readonly distinct: boolean;
  readonly filter: Typed | null;
  /** For ordered-set aggregates: the fraction, and the direction of the order. */
  readonly within: { readonly fraction: number; readonly descending: boolean } | null;
  /** Null without a window: the groups of the measure. */
  readonly window: TypedWindow | null;
}

/** A function over a window, checked. */
export interface TypedWindowCall {
  readonly op: 'window';
  readonly name: string;
  readonly args: readonly Typed[];
  readonly window: TypedWindow;
}

/** The parts of a formula, for walks over the whole tree. */
export function partsOf(f: Typed): readonly Typed[] {
  switch (f.op) {
    case 'constant':
    case 'column':
      return [];
    case 'negate':
    case 'not':
    case 'is-null':
    case 'is-truth':
    case 'shift':
    case 'cast':
    case 'extract':
      return [f.arg];
    case 'like':
      return [f.arg, f.pattern];
    case 'in':
      return [f.arg, ...f.items];
    case 'case':
      return [...f.branches.flatMap(({ when, then }) => [when, then]), ...(f.otherwise ? [f.otherwise] : [])];
    case 'scalar':
      return f.args;
    case 'aggregate':
      return [...f.args, ...(f.filter ? [f.filter] : []), ...windowParts(f.window)];
    case 'window':
      return [...f.args, ...windowParts(f.window)];
    default:
      return [f.left, f.right];
  }
}

const windowParts = (window: TypedWindow | null): readonly Typed[] =>
  window ? [...window.partition, ...window.order.map(item => item.by)] : [];
