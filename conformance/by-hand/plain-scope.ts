import type { PlainRow, Value } from './plain-rows';

/** Where a cue looks, with columns by the plain rows' own names. */
export type PlainScope =
  | { readonly kind: 'all' }
  | { readonly kind: 'within'; readonly by: readonly ('series' | 'panel')[] }
  | { readonly kind: 'along'; readonly by: readonly ('series' | 'panel')[]; readonly order: 'key' | 'b'; readonly falling: boolean };

/** The rows of the same part, in table order. */
export function partOf(rows: readonly PlainRow[], scope: PlainScope, at: number): number[] {
  const by = scope.kind === 'all' ? [] : scope.by;
  return rows.map((_, i) => i).filter(i => by.every(name => rows[i]?.[name] === rows[at]?.[name]));
}

/** Which of two rows comes first along an order: −1, 0 or 1; a missing key comes last whichever way it goes. */
function compared(a: PlainRow, b: PlainRow, scope: Extract<PlainScope, { kind: 'along' }>): number {
  const [x, y]: [string | Value, string | Value] = [a[scope.order] ?? null, b[scope.order] ?? null];
  if (x === null || y === null) return Number(x === null) - Number(y === null);
  const sign = x < y ? -1 : x > y ? 1 : 0;
  return scope.falling ? -sign : sign;
}

/** The rows of the same part in the scope's order; equal ones as the table has them. */
export function inOrder(rows: readonly PlainRow[], scope: PlainScope, at: number): number[] {
  const part = partOf(rows, scope, at);
  if (scope.kind !== 'along') return part;
  return part.sort((i, j) => compared(rows[i] as PlainRow, rows[j] as PlainRow, scope) || i - j);
}

/** The rows that a statistic sees: all of the part, or along an order those up to the row and its equals. */
export function seenFrom(rows: readonly PlainRow[], scope: PlainScope, at: number): number[] {
  const part = partOf(rows, scope, at);
  if (scope.kind !== 'along') return part;
  return part.filter(i => compared(rows[i] as PlainRow, rows[at] as PlainRow, scope) <= 0);
}
