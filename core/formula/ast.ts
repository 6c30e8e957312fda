/** Offsets into the formula's text. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

export type UnaryOp = '-' | '+' | 'not';
export type ArithmeticOp = '+' | '-' | '*' | '/' | '%';
export type CompareOp = '=' | '<>' | '<' | '<=' | '>' | '>=';
export type BinaryOp = ArithmeticOp | CompareOp | 'and' | 'or' | '||';

export interface Branch {
  readonly when: Expr;
  readonly then: Expr;
}

export interface OrderKey {
  readonly by: Expr;
  readonly descending: boolean;
  /** Undefined: missing last, whichever the direction. */
  readonly nulls: 'first' | 'last' | undefined;
}

export interface FrameBounds {
  readonly unit: 'rows' | 'range';
  readonly from: FrameBound;
  readonly to: FrameBound;
}

export type FrameBound =
  | { readonly kind: 'unbounded-preceding' | 'unbounded-following' | 'current' }
  | { readonly kind: 'preceding' | 'following'; readonly offset: Expr };

export interface WindowSpec {
  readonly partition: readonly Expr[];
  readonly order: readonly OrderKey[];
  readonly bounds: FrameBounds | undefined;
}

/** A parsed formula: standard SQL scalar expressions, nothing resolved yet. */
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
    | { readonly kind: 'is-distinct'; readonly left: Expr; readonly right: Expr; readonly negated: boolean }
    | { readonly kind: 'between'; readonly arg: Expr; readonly low: Expr; readonly high: Expr; readonly negated: boolean }
    | { readonly kind: 'in'; readonly arg: Expr; readonly items: readonly Expr[]; readonly negated: boolean }
    | { readonly kind: 'like'; readonly arg: Expr; readonly pattern: Expr; readonly negated: boolean }
    | { readonly kind: 'case'; readonly subject: Expr | null; readonly branches: readonly Branch[]; readonly otherwise: Expr | null }
    | { readonly kind: 'cast'; readonly arg: Expr; readonly type: string }
    | { readonly kind: 'extract'; readonly field: string; readonly arg: Expr }
    | Call
  );

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

export type CallExpr = Span & Call;
