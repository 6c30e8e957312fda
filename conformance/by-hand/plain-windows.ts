import type { PlainRow, Value } from './plain-rows';
import { inOrder, type PlainScope } from './plain-scope';
import { calc } from './plain-statistics';

/** Rows around one in order, `n` of them; 0 is all so far. */
export interface PlainWindow {
  readonly n: number;
  readonly place: 'up to' | 'around' | 'before';
  readonly edges: 'full' | 'partial';
}

/** Rows, the values of `a` among them, and what belongs together. */
export interface PlainPlace {
  readonly rows: readonly PlainRow[];
  readonly a: readonly Value[];
  readonly scope: PlainScope;
}

/** A statistic of the rows around one, or up to it, or before it, in order. */
export function moved(
  { rows, a, scope }: PlainPlace,
  at: number,
  statistic: (values: readonly Value[]) => Value,
  { n, place, edges }: PlainWindow,
): Value {
  const list = inOrder(rows, scope, at);
  const here = list.indexOf(at);
  const of = (from: number, to: number): Value => statistic(list.slice(from, to).map(i => a[i] as Value));
  if (n === 0) return of(0, here + 1);
  const window = (from: number, to: number): Value | undefined =>
    edges === 'full' && (from < 0 || to >= list.length) ? undefined : of(Math.max(0, from), Math.max(0, to + 1));
  if (place === 'before') return window(here - n, here - 1) ?? null;
  if (place === 'up to') return window(here - n + 1, here) ?? null;
  if (n % 2 === 1) return window(here - (n - 1) / 2, here + (n - 1) / 2) ?? null;
  const [left, right] = [window(here - n / 2, here + n / 2 - 1), window(here - n / 2 + 1, here + n / 2)];
  return left === undefined || right === undefined ? null : calc([left, right], (x, y) => (x + y) / 2);
}
