import type { Expr } from './ast';

/** The direct parts of an expression, in the order of its text, without windows, filters and orders. */
export function partsInside(expr: Expr): readonly Expr[] {
  switch (expr.kind) {
    case 'unary':
    case 'is-null':
    case 'is-truth':
    case 'cast':
    case 'extract':
      return [expr.arg];
    case 'binary':
    case 'is-distinct':
      return [expr.left, expr.right];
    case 'between':
      return [expr.arg, expr.low, expr.high];
    case 'in':
      return [expr.arg, ...expr.items];
    case 'like':
      return [expr.arg, expr.pattern];
    case 'case':
      return [
        ...(expr.subject ? [expr.subject] : []),
        ...expr.branches.flatMap(({ whens, then }) => [...whens, then]),
        ...(expr.otherwise ? [expr.otherwise] : []),
      ];
    case 'call':
      return expr.args;
    default:
      return [];
  }
}
