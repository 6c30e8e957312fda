import type { Expr } from './ast';
import { aggregates, windowFunctions } from './functions';
import { parseFormula } from './parse';

/**
 * The formula with `over (window)` behind every aggregate and window function that has none yet: how a scope token writes the
 * window for the analyst. A text that does not parse stays as it is.
 */
export function addWindows(text: string, window: string): string {
  const parsed = parseFormula(text);
  if (!parsed.ok) return text;
  const ends = callsWithout(parsed.value).sort((a, b) => b - a);
  return ends.reduce((written, end) => `${written.slice(0, end)} over (${window})${written.slice(end)}`, text);
}

const isWindowed = (name: string): boolean => Object.hasOwn(aggregates, name) || Object.hasOwn(windowFunctions, name);

/** Where the outermost calls end that could take a window and have none. */
function callsWithout(expr: Expr): number[] {
  if (expr.kind === 'call' && isWindowed(expr.name)) return expr.over ? [] : [expr.end];
  return childrenOf(expr).flatMap(callsWithout);
}

function childrenOf(expr: Expr): readonly Expr[] {
  switch (expr.kind) {
    case 'unary':
    case 'is-null':
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
        ...expr.branches.flatMap(({ when, then }) => [when, then]),
        ...(expr.otherwise ? [expr.otherwise] : []),
      ];
    case 'call':
      return expr.args;
    default:
      return [];
  }
}
