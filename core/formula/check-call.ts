import type { ColumnType } from 'core/table';
import type { CallExpr, Expr, OrderKey } from './ast';
import type { Check } from './check';
import { aggregates, ranks, scalars, type Aggregate, type AggregateName, type RankName, type Scalar, type ScalarName } from './functions';
import { windowText } from './key';
import { nearestName } from './nearest';
import type { Typed, TypedOrder, TypedType } from './typed';

const isAggregate = (name: string): name is AggregateName => Object.hasOwn(aggregates, name);
const isRank = (name: string): name is RankName => Object.hasOwn(ranks, name);
const isScalar = (name: string): name is ScalarName => Object.hasOwn(scalars, name);

/** A function call: which function, whether it may stand here, and whether its arguments fit. */
export function checkCall(check: Check, call: CallExpr): Typed {
  if (isAggregate(call.name)) return checkAggregate(check, call, call.name);
  if (isRank(call.name)) return checkRank(check, call, call.name);
  if (isScalar(call.name)) return checkScalar(check, call, call.name);
  const known = [...Object.keys(aggregates), ...Object.keys(ranks), ...Object.keys(scalars)];
  throw check.fault(call, { code: 'unknown-function', nearest: nearestName(call.name, known) });
}

function checkScalar(check: Check, call: CallExpr, name: ScalarName): Typed {
  const entry: Scalar = scalars[name];
  const [least, most, takes] = entry.arity;
  if (call.star || call.args.length < least || call.args.length > most)
    throw check.fault(call, { code: 'argument-count', name, takes, got: call.args.length });
  const { takes: needs } = entry;
  const { parts, type } = needs === 'same' ? check.alike(call.args) : { parts: call.args.map(arg => check.typed(arg, needs)), type: needs };
  return { op: 'scalar', name, args: parts, type, key: `${name}(${parts.map(part => part.key).join(', ')})` };
}

function checkAggregate(check: Check, call: CallExpr, name: AggregateName): Typed {
  mayAggregate(check, call, name);
  if (call.distinct) throw check.fault(call, { code: 'not-yet', what: `${name}(distinct …)` });
  const within = call.over ? check : check.inside();
  const arg = aggregateArgument(within, call, name);
  const filter = call.filter ? within.typed(call.filter, 'boolean') : null;
  const partition = call.over ? call.over.partition.map(part => check.expr(part)) : null;
  const type: TypedType = (aggregates[name] as Aggregate).gives === 'same' ? (arg?.type ?? 'number') : 'number';
  const body = `${name}(${arg?.key ?? '*'})${filter ? ` filter (where ${filter.key})` : ''}`;
  return { op: 'aggregate', name, arg, filter, partition, type, key: partition ? `${body} ${windowText(partition)}` : body };
}

function mayAggregate(check: Check, call: CallExpr, name: string): void {
  if (check.insideAggregate) throw check.fault(call, { code: 'aggregate-nested', name });
  if (!call.over && check.place !== 'measure') throw check.fault(call, { code: 'aggregate-here', name });
  if (call.over && check.place !== 'column') throw check.fault(call, { code: 'window-here', name });
  if (call.over && (call.over.order.length || call.over.bounds))
    throw check.fault(call, { code: 'not-yet', what: `${name} over an order` });
}

function aggregateArgument(check: Check, call: CallExpr, name: AggregateName): Typed | null {
  if (call.star && name === 'count') return null;
  const [first] = call.args;
  if (call.star || call.args.length !== 1 || !first) {
    const takes = name === 'count' ? 'one value or *' : 'one value';
    throw check.fault(call, { code: 'argument-count', name, takes, got: call.args.length });
  }
  const { takes } = aggregates[name] as Aggregate;
  return takes === 'any' ? check.expr(first) : check.typed(first, ...takes);
}

function checkRank(check: Check, call: CallExpr, name: RankName): Typed {
  if (call.args.length || call.star) throw check.fault(call, { code: 'argument-count', name, takes: 'no argument', got: call.args.length });
  if (!call.over) throw check.fault(call, { code: 'window-needed', name });
  if (check.place !== 'column') throw check.fault(call, { code: 'window-here', name });
  if (!call.over.order.length) throw check.fault(call, { code: 'order-needed', name });
  const partition = call.over.partition.map((part: Expr) => check.expr(part));
  const order = call.over.order.map(item => checkOrder(check, item));
  return { op: 'rank', name, partition, order, type: 'number' satisfies ColumnType, key: `${name}() ${windowText(partition, order)}` };
}

const checkOrder = (check: Check, { by, descending, nulls }: OrderKey): TypedOrder => ({
  by: check.expr(by),
  descending,
  nullsFirst: nulls === 'first',
});
