import type { Expr, FrameBound, FrameBounds, OrderKey, WindowSpec } from '../tree/ast';
import type { Checking } from './checking';
import { parseInterval } from '../functions';
import type { TypedBound, TypedBounds, TypedOrder, TypedWindow } from '../evaluate/typed';

/** Checks a window: its partition, its order, and that the ends of its frame fit the order. */
export function checkWindow(check: Checking, spec: WindowSpec): TypedWindow {
  const partition = spec.partition.map(part => check.expr(part));
  const order = spec.order.map(item => checkOrder(check, item));
  return { partition, order, bounds: spec.bounds ? checkBounds(check, spec, spec.bounds, order) : null };
}

const checkOrder = (check: Checking, { by, descending, nulls }: OrderKey): TypedOrder => ({
  by: check.expr(by),
  descending,
  nullsFirst: nulls === 'first',
});

function checkBounds(check: Checking, spec: WindowSpec, { unit, from, to }: FrameBounds, order: readonly TypedOrder[]): TypedBounds {
  const at = offsetOf(from) ?? offsetOf(to) ?? spec.order[0]?.by ?? spec.partition[0];
  const bounds = { unit, from: checkBound(check, unit, from, order), to: checkBound(check, unit, to, order) };
  if (at && runsBackwards(bounds)) throw check.fault(at, { code: 'frame-backwards' });
  return bounds;
}

const offsetOf = (bound: FrameBound): Expr | undefined => ('offset' in bound ? bound.offset : undefined);

const PLACE = { 'unbounded-preceding': 0, preceding: 1, current: 2, following: 3, 'unbounded-following': 4 } as const;

const runsBackwards = ({ from, to }: TypedBounds): boolean =>
  from.kind === 'unbounded-following' || to.kind === 'unbounded-preceding' || PLACE[from.kind] > PLACE[to.kind];

function checkBound(check: Checking, unit: 'rows' | 'range', bound: FrameBound, order: readonly TypedOrder[]): TypedBound {
  if (!('offset' in bound)) return bound;
  const { kind, offset } = bound;
  const text = check.text.slice(offset.start, offset.end);
  if (unit === 'rows') return { kind, offset: wholeNumber(check, offset), interval: null, text };
  const [key, ...more] = order;
  if (!key || more.length) throw check.fault(offset, { code: 'range-order' });
  if (key.by.type === 'date' || key.by.type === 'timestamp') return { kind, ...intervalOf(check, offset), text };
  if (key.by.type !== 'number') throw check.fault(offset, { code: 'range-order' });
  return { kind, offset: positiveNumber(check, offset), interval: null, text };
}

function positiveNumber(check: Checking, expr: Expr): number {
  if (expr.kind !== 'number') throw check.fault(expr, { code: 'wrong-type', needs: 'a plain number', got: 'something else' });
  return expr.value;
}

function wholeNumber(check: Checking, expr: Expr): number {
  const value = positiveNumber(check, expr);
  if (!Number.isInteger(value)) throw check.fault(expr, { code: 'wrong-type', needs: 'a whole number of rows', got: String(value) });
  return value;
}

function intervalOf(check: Checking, expr: Expr): { offset: number; interval: NonNullable<ReturnType<typeof parseInterval>> } {
  const interval = expr.kind === 'interval' ? parseInterval(expr.value) : undefined;
  if (!interval) throw check.fault(expr, { code: 'wrong-type', needs: "an interval such as interval '7 days'", got: 'something else' });
  return { offset: 0, interval };
}
