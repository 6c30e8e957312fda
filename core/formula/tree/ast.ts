/** Offsets into the formula's text. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** Operators before one operand. */
export type UnaryOp = '-' | '+' | 'not';
/** Operators between numbers. */
export type ArithmeticOp = '+' | '-' | '*' | '/' | '%';
/** Operators between values of one type. */
export type CompareOp = '=' | '<>' | '<' | '<=' | '>' | '>=';
/** The two ways to match a text: simple wildcards, or the standard's regular expressions. */
export type LikeWord = 'like' | 'similar to';
/** Operators between two operands. */
export type BinaryOp = ArithmeticOp | CompareOp | 'and' | 'or' | '||';

/** One `when … then …`. */
export interface Branch {
  /** One condition; with a subject, one or more values that it is compared with. */
  readonly whens: readonly Expr[];
  readonly then: Expr;
}

/** One key of an `order by`. */
export interface OrderKey {
  readonly by: Expr;
  readonly descending: boolean;
  /** Undefined: missing last, in either direction. */
  readonly nulls: 'first' | 'last' | undefined;
}

/** The rows around the current one that a window covers. */
export interface FrameBounds {
  readonly unit: 'rows' | 'range';
  readonly from: FrameBound;
  readonly to: FrameBound;
}

/** One end of a window. */
export type FrameBound =
  | { readonly kind: 'unbounded-preceding' | 'unbounded-following' | 'current' }
  | { readonly kind: 'preceding' | 'following'; readonly offset: Expr };

/** The contents of `over (…)`. */
export interface WindowSpec {
  readonly partition: readonly Expr[];
  readonly order: readonly OrderKey[];
  readonly bounds: FrameBounds | undefined;
}

/** A parsed formula: scalar expressions of standard SQL, with names not resolved. */
export type Expr = Span &
  (
    | { readonly kind: 'number'; readonly value: number }
    | { readonly kind: 'text'; readonly value: string }
    | { readonly kind: 'boolean'; readonly value: boolean }
    | { readonly kind: 'null' }
    | { readonly kind: 'date' | 'timestamp' | 'interval'; readonly value: string }
    | { readonly kind: 'name'; readonly name: string; readonly quoted: boolean }
    | { readonly kind: 'unary'; readonly op: UnaryOp; readonly arg: Expr }
    | { readonly kind: 'binary'; readonly op: BinaryOp; readonly left: Expr; readonly right: Expr }
    | { readonly kind: 'is-null'; readonly arg: Expr; readonly negated: boolean }
    | { readonly kind: 'is-truth'; readonly arg: Expr; readonly truth: boolean | null; readonly negated: boolean }
    | { readonly kind: 'is-distinct'; readonly left: Expr; readonly right: Expr; readonly negated: boolean }
    | { readonly kind: 'between'; readonly arg: Expr; readonly low: Expr; readonly high: Expr; readonly negated: boolean }
    | { readonly kind: 'in'; readonly arg: Expr; readonly items: readonly Expr[]; readonly negated: boolean }
    | {
        readonly kind: 'like';
        readonly how: LikeWord;
        readonly arg: Expr;
        readonly pattern: Expr;
        readonly escape: Expr | null;
        readonly negated: boolean;
      }
    | { readonly kind: 'case'; readonly subject: Expr | null; readonly branches: readonly Branch[]; readonly otherwise: Expr | null }
    | { readonly kind: 'cast'; readonly arg: Expr; readonly type: string; readonly sizes: readonly number[] }
    | { readonly kind: 'extract'; readonly field: string; readonly arg: Expr }
    | Call
  );

/** A function with its arguments, filter, order and window. */
export interface Call {
  readonly kind: 'call';
  readonly name: string;
  readonly args: readonly Expr[];
  readonly star: boolean;
  readonly distinct: boolean;
  readonly filter: Expr | null;
  readonly within: readonly OrderKey[] | null;
  readonly over: WindowSpec | null;
}

/** A call with its place in the text. */
export type CallExpr = Span & Call;
