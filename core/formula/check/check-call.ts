import type { ColumnType } from 'core/table';
import type { CallExpr, Expr } from '../tree/ast';
import type { Checking } from './checking';
import { checkWindow } from './check-window';
import { aggregates, scalars, windowFunctions, type Aggregate, type Scalar, type WindowFunction } from '../functions';
import { windowText } from '../evaluate/key';
import { nearestName } from './nearest';
import type { Typed, TypedAggregate } from '../evaluate/typed';
import type { TypedType } from './types';

const entryIn = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;

/** Checks a function call: that the function exists, is allowed here, and that its arguments fit. */
export function checkCall(check: Checking, call: CallExpr): Typed {
  const aggregate = entryIn(aggregates, call.name);
  if (aggregate) return checkAggregate(check, call, aggregate);
  const windowed = entryIn(windowFunctions, call.name);
  if (windowed) return checkWindowCall(check, call, windowed);
  const scalar = entryIn(scalars, call.name);
  if (scalar) return checkScalar(check, call, scalar);
  const known = [...Object.keys(aggregates), ...Object.keys(windowFunctions), ...Object.keys(scalars)];
  throw check.fault(call, { code: 'unknown-function', nearest: nearestName(call.name, known) });
}

function checkScalar(check: Checking, call: CallExpr, entry: Scalar): Typed {
  const { name } = call;
  const [least, most, takes] = entry.arity;
  if (call.star || call.distinct || call.args.length < least || call.args.length > most)
    throw check.fault(call, { code: 'argument-count', name, takes, got: call.args.length });
  if (call.over || call.filter || call.within) throw check.fault(call, { code: 'not-windowed', name });
  if (entry.words) checkWord(check, call.args[0] as Expr, entry.words);
  const { parts, type } = entry.takes === 'same' ? check.alike(call.args) : typedArguments(check, call, entry.takes);
  const result = entry.gives === 'same' ? type : entry.gives === 'second' ? (parts[1] as Typed).type : entry.gives;
  return { op: 'scalar', name, args: parts, type: result, key: `${name}(${parts.map(part => part.key).join(', ')})` };
}

function typedArguments(check: Checking, call: CallExpr, takes: readonly (readonly ColumnType[])[]): { parts: Typed[]; type: TypedType } {
  const parts = call.args.map((arg, i) => check.typed(arg, ...(takes[Math.min(i, takes.length - 1)] as readonly ColumnType[])));
  return { parts, type: parts[0]?.type ?? 'number' };
}

function checkWord(check: Checking, arg: Expr, words: readonly string[]): void {
  if (arg.kind !== 'text' || !words.includes(arg.value))
    throw check.fault(arg, { code: 'wrong-type', needs: `one of ${words.map(word => `'${word}'`).join(', ')}`, got: 'something else' });
}

function checkAggregate(check: Checking, call: CallExpr, entry: Aggregate): Typed {
  mayAggregate(check, call);
  const inside = check.inside();
  const args = aggregateArguments(inside, call, entry);
  const filter = call.filter ? inside.typed(call.filter, 'boolean') : null;
  const window = call.over ? checkWindow(inside, call.over) : null;
  const within = withinOf(check, call, entry);
  if (call.distinct && window && (window.order.length || window.bounds) && !['sum', 'count', 'min', 'max'].includes(entry.sliding))
    throw check.fault(call, { code: 'distinct-window', name: call.name });
  const type: TypedType = entry.gives === 'same' ? (args[0]?.type ?? 'number') : 'number';
  const parts: Omit<TypedAggregate, 'op'> = { name: call.name, args, distinct: call.distinct, filter, within, window };
  return { op: 'aggregate', ...parts, type, key: aggregateKey(parts) };
}

/** The key that tells aggregates of a formula apart. */
export function aggregateKey({ name, args, distinct, filter, within, window }: Omit<TypedAggregate, 'op'>): string {
  const body = `${name}(${distinct ? 'distinct ' : ''}${args.map(arg => arg.key).join(', ') || '*'})`;
  const ordered = within ? ` within group (${within.fraction} ${within.descending ? 'desc' : 'asc'})` : '';
  return `${body}${ordered}${filter ? ` filter (where ${filter.key})` : ''}${window ? ` ${windowText(window)}` : ''}`;
}

function mayAggregate(check: Checking, call: CallExpr): void {
  const { name } = call;
  if (check.insideAggregate) throw check.fault(call, { code: 'aggregate-nested', name });
  if (!call.over && check.place !== 'measure') throw check.fault(call, { code: 'aggregate-here', name });
  if (call.over && check.place !== 'column') throw check.fault(call, { code: 'window-here', name });
}

function aggregateArguments(check: Checking, call: CallExpr, entry: Aggregate): Typed[] {
  const { name, star } = call;
  if (entry.within) return [orderedArgument(check, call, entry)];
  if (call.within) throw check.fault(call, { code: 'not-windowed', name });
  if (star && name === 'count' && !call.distinct) return [];
  const wanted = entry.pair ? 2 : 1;
  if (star || call.args.length !== wanted) {
    const takes = entry.pair ? 'two numbers' : name === 'count' ? 'one value or *' : 'one value';
    throw check.fault(call, { code: 'argument-count', name, takes, got: call.args.length });
  }
  const types = entry.takes === 'any' ? [] : entry.takes;
  return call.args.map(arg => known(check, arg, check.typed(arg, ...types)));
}

/** Refuses a bare missing value as the argument of an aggregate, since its type is unknown. */
function known(check: Checking, expr: Expr, typed: Typed): Typed {
  if (typed.type === 'null') throw check.fault(expr, { code: 'wrong-type', needs: 'a column or a value', got: 'null' });
  return typed;
}

/** For `name(p) within group (order by x)`: x, the values that are aggregated. */
function orderedArgument(check: Checking, call: CallExpr, entry: Aggregate): Typed {
  const [key, ...more] = call.within ?? [];
  if (!key || more.length) throw check.fault(call, { code: 'within-needed', name: call.name, signature: entry.signature });
  const wanted = entry.within === 'fraction' ? 1 : 0;
  if (call.args.length !== wanted || call.star || call.distinct)
    throw check.fault(call, {
      code: 'argument-count',
      name: call.name,
      takes: wanted ? 'one share from 0 to 1' : 'no argument',
      got: call.args.length,
    });
  return known(check, key.by, check.typed(key.by, ...(entry.takes as readonly ColumnType[])));
}

function withinOf(check: Checking, call: CallExpr, entry: Aggregate): TypedAggregate['within'] {
  if (!entry.within) return null;
  const [share] = call.args;
  const fraction = share?.kind === 'number' ? share.value : entry.within === 'plain' ? 0 : NaN;
  if (!(fraction >= 0 && fraction <= 1))
    throw check.fault(share ?? call, { code: 'wrong-type', needs: 'a number from 0 to 1', got: 'something else' });
  return { fraction, descending: call.within?.[0]?.descending ?? false };
}

function checkWindowCall(check: Checking, call: CallExpr, entry: WindowFunction): Typed {
  const { name } = call;
  const [least, most, takes] = entry.arity;
  if (call.star || call.distinct || call.args.length < least || call.args.length > most)
    throw check.fault(call, { code: 'argument-count', name, takes, got: call.args.length });
  if (call.filter || call.within) throw check.fault(call, { code: 'not-windowed', name });
  if (!call.over) throw check.fault(call, { code: 'window-needed', name });
  if (check.insideAggregate) throw check.fault(call, { code: 'aggregate-nested', name });
  if (check.place !== 'column') throw check.fault(call, { code: 'window-here', name });
  if (entry.needsOrder && !call.over.order.length) throw check.fault(call, { code: 'order-needed', name });
  const args = windowArguments(check.inside(), call, entry);
  const window = checkWindow(check.inside(), call.over);
  const type = entry.kind === 'number' ? 'number' : (args[0] as Typed).type;
  return { op: 'window', name, args, window, type, key: `${name}(${args.map(arg => arg.key).join(', ')}) ${windowText(window)}` };
}

function windowArguments(check: Checking, call: CallExpr, { kind }: WindowFunction): Typed[] {
  const [value, n, otherwise] = call.args;
  if (kind === 'number') return call.args.map(arg => check.typed(arg, 'number'));
  const first = known(check, value as Expr, check.expr(value as Expr));
  const second = n ? [check.typed(n, 'number')] : [];
  if (!otherwise) return [first, ...second];
  const last = check.expr(otherwise);
  if (last.type !== 'null' && last.type !== first.type)
    throw check.fault(otherwise, { code: 'wrong-type', needs: first.type, got: last.type });
  return [first, ...second, last];
}
