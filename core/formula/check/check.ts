import { failure, success, type Result } from 'core/result';
import { parseIsoDate, parseIsoTimestamp, type ColumnType } from 'core/table';
import type { Branch, Expr } from '../tree/ast';
import { CAST_TYPES, castTarget, mayCast } from '../evaluate/cast';
import { checkCall } from './check-call';
import { Fault, type Checking, type FormulaPlace, type Scope, type Unplaced } from './checking';
import { Faults, NOTHING } from './faults';
import { DATE_FIELDS, parseInterval, patternOf, TIME_FIELDS } from '../functions';
import { literalText, nameText, shortKey } from '../evaluate/key';
import { nearestName } from './nearest';
import { placeOf } from '../tree/parse';
import { partsInside } from '../tree/parts-inside';
import type { Typed, TypedBranch } from '../evaluate/typed';
import type { TypedType } from './types';

// Keys of nested parts hold those of their parts: longer ones are abridged, or they would grow with every level.
const LONG_KEY = 240;

/** The state of a check: the text for messages, the scope, whether it is inside an aggregate, and the faults found. */
export class Check implements Checking {
  constructor(
    readonly text: string,
    readonly scope: Scope,
    readonly place: FormulaPlace,
    readonly insideAggregate = false,
    readonly faults: Faults = new Faults(),
  ) {}

  inside(): Check {
    return new Check(this.text, this.scope, this.place, true, this.faults);
  }

  fault(expr: Expr, problem: Unplaced): Fault {
    const at = placeOf(this.text, expr);
    return new Fault({ ...problem, at, words: this.text.slice(expr.start, expr.end) });
  }

  typed(expr: Expr, ...needs: readonly ColumnType[]): Typed {
    const typed = this.expr(expr);
    if (needs.length === 0 || typed.type === 'null' || needs.includes(typed.type)) return typed;
    return this.faults.take(this.fault(expr, { code: 'wrong-type', needs: needs.join(' or '), got: typed.type }));
  }

  alike(exprs: readonly Expr[]): { parts: Typed[]; type: TypedType } {
    const found = exprs.map(expr => this.expr(expr));
    const type = found.find(part => part.type !== 'null')?.type ?? 'null';
    const parts = found.map((part, i) =>
      part.type === type || part.type === 'null'
        ? part
        : this.faults.take(this.fault(exprs[i] as Expr, { code: 'wrong-type', needs: type, got: part.type })),
    );
    return { parts, type };
  }

  /** Checks a part. A faulty part counts as missing, whose type fits everywhere, so that what surrounds it is checked as well. */
  expr(expr: Expr): Typed {
    this.faults.seen.add(expr);
    try {
      const typed = checkExpr(this, expr);
      // A column is known by its name, however long.
      return typed.op === 'column' || typed.key.length <= LONG_KEY ? typed : { ...typed, key: shortKey(typed.key) };
    } catch (error) {
      if (!(error instanceof Fault)) throw error;
      this.faults.take(error);
      for (const part of partsInside(expr)) if (!this.faults.seen.has(part)) this.namesIn(part);
      return NOTHING;
    }
  }

  /** Checks only the names in a part whose whole has a fault: other checks would depend on what the whole should be. */
  private namesIn(part: Expr): void {
    const apart = new Check(this.text, this.scope, this.place, true, new Faults(this.faults.seen));
    apart.expr(part);
    for (const problem of apart.faults.problems) if (NAME_FAULTS.includes(problem.code)) this.faults.add(problem);
  }
}

const NAME_FAULTS: readonly string[] = ['unknown-name', 'unknown-function'];
/**
 * Resolves names and types of a parsed formula. `must`: the type that the whole must have (boolean for a filter). Problems: every fault, in the order
 * of the text.
 */
export function checkFormula(text: string, expr: Expr, scope: Scope, place: FormulaPlace): Result<Typed> {
  const check = new Check(text, scope, place);
  const typed = place === 'filter' ? check.typed(expr, 'boolean') : check.expr(expr);
  const { problems } = check.faults;
  return problems.length ? failure(...problems.sort((a, b) => a.at.start - b.at.start)) : success(typed);
}

function checkExpr(check: Check, expr: Expr): Typed {
  switch (expr.kind) {
    case 'number':
      if (!Number.isFinite(expr.value))
        throw check.fault(expr, { code: 'wrong-type', needs: 'a number below 1.8e308', got: 'too large a number' });
      return constant(expr.kind, expr.value);
    case 'text':
    case 'boolean':
      return constant(expr.kind, expr.value);
    case 'date':
    case 'timestamp':
      return checkMoment(check, expr, expr.kind, expr.value);
    case 'null':
      return { op: 'constant', value: null, type: 'null', key: 'null' };
    case 'name':
      return checkName(check, expr, expr.name, expr.quoted);
    case 'unary':
      return checkUnary(check, expr);
    case 'binary':
      return checkBinary(check, expr);
    case 'is-null': {
      const arg = check.expr(expr.arg);
      return { op: 'is-null', arg, negated: expr.negated, type: 'boolean', key: `(${arg.key} is ${expr.negated ? 'not ' : ''}null)` };
    }
    case 'is-truth':
      return checkTruth(check, expr);
    case 'is-distinct':
      return checkDistinct(check, expr);
    case 'between':
      return checkBetween(check, expr);
    case 'in':
      return checkIn(check, expr);
    case 'case':
      return checkCase(check, expr);
    case 'call':
      return checkCall(check, expr);
    case 'like':
      return checkLike(check, expr);
    case 'cast':
      return checkCast(check, expr);
    case 'extract':
      return checkExtract(check, expr);
    case 'interval':
      throw check.fault(expr, { code: 'wrong-type', needs: 'a value', got: 'an interval, which is only added to a date' });
  }
}

const constant = (type: ColumnType, value: string | number | boolean): Typed => ({
  op: 'constant',
  value,
  type,
  key: literalText(type, value),
});

function checkMoment(check: Check, expr: Expr, type: 'date' | 'timestamp', text: string): Typed {
  const raw = type === 'date' ? parseIsoDate(text) : parseIsoTimestamp(text);
  if (Number.isNaN(raw)) throw check.fault(expr, { code: 'wrong-type', needs: `a ${type} such as ${EXAMPLES[type]}`, got: 'text' });
  return constant(type, text);
}

const EXAMPLES = { date: "date '2031-06-02'", timestamp: "timestamp '2031-06-02 05:30:00'" };

function checkName(check: Check, expr: Expr, name: string, quoted: boolean): Typed {
  const found = resolve(check.scope, name, quoted);
  const known = [...check.scope.keys()];
  if (found === undefined) throw check.fault(expr, { code: 'unknown-name', nearest: nearestName(name, known), known });
  if (check.place === 'measure' && !check.insideAggregate) throw check.fault(expr, { code: 'not-aggregated', name: found });
  return { op: 'column', name: found, type: check.scope.get(found) as ColumnType, key: nameText(found) };
}

function resolve(scope: Scope, name: string, quoted: boolean): string | undefined {
  if (scope.has(name)) return name;
  const folded = name.toLowerCase();
  return quoted ? undefined : [...scope.keys()].find(known => known.toLowerCase() === folded);
}

function checkUnary(check: Check, expr: Extract<Expr, { kind: 'unary' }>): Typed {
  if (expr.op === 'not') {
    const arg = check.typed(expr.arg, 'boolean');
    return { op: 'not', arg, type: 'boolean', key: `(not ${arg.key})` };
  }
  const arg = check.typed(expr.arg, 'number');
  return expr.op === '+' ? arg : { op: 'negate', arg, type: 'number', key: `(- ${arg.key})` };
}

function checkBinary(check: Check, expr: Extract<Expr, { kind: 'binary' }>): Typed {
  switch (expr.op) {
    case 'and':
    case 'or': {
      const [left, right] = [check.typed(expr.left, 'boolean'), check.typed(expr.right, 'boolean')];
      return { op: expr.op, left, right, type: 'boolean', key: infix(left, expr.op, right) };
    }
    case '||': {
      const [left, right] = [check.typed(expr.left, 'text'), check.typed(expr.right, 'text')];
      return { op: 'join', left, right, type: 'text', key: infix(left, '||', right) };
    }
    case '+':
    case '-':
    case '*':
    case '/':
    case '%':
      return checkArithmetic(check, expr, expr.op);
    default:
      return compared(check, expr.left, expr.op, expr.right);
  }
}

type Binary = Extract<Expr, { kind: 'binary' }>;

function checkArithmetic(check: Check, expr: Binary, sign: '+' | '-' | '*' | '/' | '%'): Typed {
  if ((sign === '+' || sign === '-') && expr.right.kind === 'interval') return checkShift(check, expr.left, expr.right, sign === '-');
  if (sign === '+' && expr.left.kind === 'interval') return checkShift(check, expr.right, expr.left, false);
  const needs: readonly ColumnType[] = sign === '-' ? ['number', 'date', 'timestamp'] : ['number'];
  const left = check.typed(expr.left, ...needs);
  const moment = left.type === 'date' || left.type === 'timestamp';
  const right = check.typed(expr.right, moment ? left.type : 'number');
  if (moment) return { op: 'days-between', left, right, type: 'number', key: infix(left, '-', right) };
  return { op: 'arithmetic', sign, left, right, type: 'number', key: infix(left, sign, right) };
}

/** A date moved by an interval: a date for days, weeks, months or years, a timestamp for hours and less. */
function checkShift(check: Check, moved: Expr, by: Expr, back: boolean): Typed {
  const arg = check.typed(moved, 'date', 'timestamp');
  const words = by.kind === 'interval' ? by.value : '';
  const found = parseInterval(words);
  if (!found)
    throw check.fault(by, {
      code: 'wrong-type',
      needs: "an interval such as interval '7 days' or interval '1 month'",
      got: 'something else',
    });
  const interval = back ? { months: -found.months, ms: -found.ms } : found;
  const type = arg.type === 'date' && found.ms % 86_400_000 === 0 ? 'date' : 'timestamp';
  return { op: 'shift', arg, interval, text: words, back, type, key: `(${arg.key} ${back ? '-' : '+'} ${type} interval '${words}')` };
}

function checkLike(check: Check, expr: Extract<Expr, { kind: 'like' }>): Typed {
  const [arg, pattern] = [check.typed(expr.arg, 'text'), check.typed(expr.pattern, 'text')];
  const { escape, how } = expr;
  if (escape && (escape.kind !== 'text' || Array.from(escape.value).length !== 1))
    throw check.fault(escape, { code: 'wrong-type', needs: "one character such as '!'", got: 'something else' });
  const mark = escape?.kind === 'text' ? escape.value : '';
  if (how === 'similar to' && expr.pattern.kind === 'text' && !patternOf(expr.pattern.value, mark))
    throw check.fault(expr.pattern, {
      code: 'wrong-type',
      needs: "a pattern such as '(a|b)%' or '[0-9]{4}-[0-9]+'",
      got: 'something else',
    });
  const key = `(${arg.key} ${how} ${pattern.key}${mark ? ` escape ${literalText('text', mark)}` : ''})`;
  const like: Typed = { op: 'like', how, arg, pattern, escape: mark, type: 'boolean', key };
  return expr.negated ? negation(like) : like;
}

/** `is unknown` means `is null` of a condition; `is true` and `is false` are never missing. */
function checkTruth(check: Check, expr: Extract<Expr, { kind: 'is-truth' }>): Typed {
  const arg = check.typed(expr.arg, 'boolean');
  const words = `is ${expr.negated ? 'not ' : ''}`;
  if (expr.truth === null) return { op: 'is-null', arg, negated: expr.negated, type: 'boolean', key: `(${arg.key} ${words}null)` };
  return { op: 'is-truth', arg, truth: expr.truth, negated: expr.negated, type: 'boolean', key: `(${arg.key} ${words}${expr.truth})` };
}

function checkCast(check: Check, expr: Extract<Expr, { kind: 'cast' }>): Typed {
  const to = castTarget(expr.type, expr.sizes);
  if (to === 'sizes')
    throw check.fault(expr, { code: 'wrong-type', needs: 'sizes such as decimal(10, 2) or varchar(20)', got: 'of another size' });
  if (!to) throw check.fault(expr, { code: 'wrong-type', needs: `a type: ${CAST_TYPES.join(', ')}`, got: expr.type });
  const arg = check.expr(expr.arg);
  if (arg.type !== 'null' && !mayCast(arg.type, to)) throw check.fault(expr, { code: 'cast-impossible', from: arg.type, to: to.type });
  return { op: 'cast', arg, to, name: expr.type, type: to.type, key: `cast(${arg.key} as ${to.key})` };
}

function checkExtract(check: Check, expr: Extract<Expr, { kind: 'extract' }>): Typed {
  const field = DATE_FIELDS.find(known => known === expr.field);
  if (!field) throw check.fault(expr, { code: 'wrong-type', needs: `a field: ${DATE_FIELDS.join(', ')}`, got: expr.field });
  const arg = check.typed(expr.arg, ...(TIME_FIELDS.includes(field) ? (['timestamp'] as const) : (['date', 'timestamp'] as const)));
  return { op: 'extract', arg, field, type: 'number', key: `extract(${field} from ${arg.key})` };
}

function compared(check: Check, leftExpr: Expr, sign: CompareSign, rightExpr: Expr): Typed {
  const { parts } = check.alike([leftExpr, rightExpr]);
  return comparison(parts[0] as Typed, sign, parts[1] as Typed);
}

type CompareSign = '=' | '<>' | '<' | '<=' | '>' | '>=';

const comparison = (left: Typed, sign: CompareSign, right: Typed): Typed => ({
  op: 'compare',
  sign,
  left,
  right,
  type: 'boolean',
  key: infix(left, sign, right),
});

function checkDistinct(check: Check, expr: Extract<Expr, { kind: 'is-distinct' }>): Typed {
  const { parts } = check.alike([expr.left, expr.right]);
  const [left, right] = parts as [Typed, Typed];
  const sign = `is ${expr.negated ? 'not ' : ''}distinct from`;
  return { op: 'is-distinct', left, right, negated: expr.negated, type: 'boolean', key: infix(left, sign, right) };
}

/** `x between a and b` means `x >= a and x <= b`, as the standard defines it. */
function checkBetween(check: Check, expr: Extract<Expr, { kind: 'between' }>): Typed {
  const { parts } = check.alike([expr.arg, expr.low, expr.high]);
  const [arg, low, high] = parts as [Typed, Typed, Typed];
  const inside = joined('and', [comparison(arg, '>=', low), comparison(arg, '<=', high)]);
  return expr.negated ? negation(inside) : inside;
}

/** `x in (a, b)` is `x = a or x = b`. */
function checkIn(check: Check, expr: Extract<Expr, { kind: 'in' }>): Typed {
  const { parts } = check.alike([expr.arg, ...expr.items]);
  const [arg, ...items] = parts as [Typed, ...Typed[]];
  const any: Typed = { op: 'in', arg, items, type: 'boolean', key: `(${arg.key} in (${items.map(item => item.key).join(', ')}))` };
  return expr.negated ? negation(any) : any;
}

const negation = (arg: Typed): Typed => ({ op: 'not', arg, type: 'boolean', key: `(not ${arg.key})` });
const joined = (op: 'and' | 'or', parts: readonly Typed[]): Typed =>
  parts.reduce((left, right) => ({ op, left, right, type: 'boolean', key: infix(left, op, right) }));
const infix = (left: Typed, sign: string, right: Typed): string => `(${left.key} ${sign} ${right.key})`;

function checkCase(check: Check, expr: Extract<Expr, { kind: 'case' }>): Typed {
  const whens = expr.subject ? equalities(check, expr.subject, expr.branches) : expr.branches.map(branch => condition(check, branch));
  const results = [...expr.branches.map(branch => branch.then), ...(expr.otherwise ? [expr.otherwise] : [])];
  const { parts, type } = check.alike(results);
  const branches = whens.map((when, i): TypedBranch => ({ when, then: parts[i] as Typed }));
  const otherwise = expr.otherwise ? (parts.at(-1) as Typed) : null;
  const key = `case ${branches.map(({ when, then }) => `when ${when.key} then ${then.key}`).join(' ')}${otherwise ? ` else ${otherwise.key}` : ''} end`;
  return { op: 'case', branches, otherwise, type, key };
}

function condition(check: Check, { whens: [when, second] }: Branch): Typed {
  if (second)
    throw check.fault(second, { code: 'wrong-type', needs: 'one condition, since nothing stands behind case', got: 'a second one' });
  return check.typed(when as Expr, 'boolean');
}

/** `case x when a, b then …`: x is computed once and compared with each value. */
function equalities(check: Check, subject: Expr, branches: readonly Branch[]): Typed[] {
  const { parts } = check.alike([subject, ...branches.flatMap(({ whens }) => whens)]);
  const [arg, ...values] = parts as [Typed, ...Typed[]];
  let at = 0;
  return branches.map(({ whens }) =>
    joined(
      'or',
      whens.map(() => comparison(arg, '=', values[at++] as Typed)),
    ),
  );
}
