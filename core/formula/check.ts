import { failure, success, type FormulaProblem, type Result } from 'core/result';
import { parseIsoDate, parseIsoTimestamp, type ColumnType } from 'core/table';
import type { Expr } from './ast';
import { CAST_TYPES, castTarget, mayCast } from './cast';
import { checkCall } from './check-call';
import { DATE_FIELDS, parseInterval, TIME_FIELDS } from './functions';
import { literalText, nameText } from './key';
import { nearestName } from './nearest';
import { placeOf } from './parse';
import type { Typed, TypedBranch, TypedType } from './typed';

/** Where a formula stands decides what it may use (FORMULA.md): see `Place` there. */
export type FormulaPlace = 'column' | 'filter' | 'measure';

/** The columns a formula sees. */
export type Scope = ReadonlyMap<string, ColumnType>;

/** Thrown inside the checker only, so that the first fault ends the walk; `checkFormula` turns it into a value. */
export class Fault extends Error {
  constructor(readonly problem: FormulaProblem) {
    super(problem.code);
  }
}

type Unplaced = FormulaProblem extends infer P ? (P extends FormulaProblem ? Omit<P, 'at' | 'words'> : never) : never;

/** What the walk carries: the text for messages, the scope, and whether it stands inside an aggregate. */
export class Check {
  constructor(
    readonly text: string,
    readonly scope: Scope,
    readonly place: FormulaPlace,
    readonly insideAggregate = false,
  ) {}

  inside(): Check {
    return new Check(this.text, this.scope, this.place, true);
  }

  fault(expr: Expr, problem: Unplaced): Fault {
    const at = placeOf(this.text, expr);
    return new Fault({ ...problem, at, words: this.text.slice(expr.start, expr.end) });
  }

  /** Checks a part and demands a type of it; a bare missing value fits every type. */
  typed(expr: Expr, ...needs: readonly ColumnType[]): Typed {
    const typed = this.expr(expr);
    if (needs.length && typed.type !== 'null' && !needs.includes(typed.type))
      throw this.fault(expr, { code: 'wrong-type', needs: needs.join(' or '), got: typed.type });
    return typed;
  }

  /** Checks parts that must share one type; gives that type. */
  alike(exprs: readonly Expr[]): { parts: Typed[]; type: TypedType } {
    const parts = exprs.map(expr => this.expr(expr));
    const type = parts.find(part => part.type !== 'null')?.type ?? 'null';
    parts.forEach((part, i) => {
      if (part.type !== type && part.type !== 'null')
        throw this.fault(exprs[i] as Expr, { code: 'wrong-type', needs: type, got: part.type });
    });
    return { parts, type };
  }

  expr(expr: Expr): Typed {
    return checkExpr(this, expr);
  }
}

/**
 * Resolves names and types of a parsed formula. `must` demands a type of the whole (a filter is boolean).
 * The one problem that comes back stands at the first fault.
 */
export function checkFormula(text: string, expr: Expr, scope: Scope, place: FormulaPlace): Result<Typed> {
  try {
    const check = new Check(text, scope, place);
    return success(place === 'filter' ? check.typed(expr, 'boolean') : check.expr(expr));
  } catch (error) {
    if (error instanceof Fault) return failure(error.problem);
    throw error;
  }
}

function checkExpr(check: Check, expr: Expr): Typed {
  switch (expr.kind) {
    case 'number':
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

/** A date moved by an interval: still a date by days, weeks, months or years, a timestamp by hours and less. */
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
  const like: Typed = { op: 'like', arg, pattern, type: 'boolean', key: infix(arg, 'like', pattern) };
  return expr.negated ? negation(like) : like;
}

function checkCast(check: Check, expr: Extract<Expr, { kind: 'cast' }>): Typed {
  const to = castTarget(expr.type);
  if (!to) throw check.fault(expr, { code: 'wrong-type', needs: `a type: ${CAST_TYPES.join(', ')}`, got: expr.type });
  const arg = check.expr(expr.arg);
  if (arg.type !== 'null' && !mayCast(arg.type, to)) throw check.fault(expr, { code: 'cast-impossible', from: arg.type, to: to.type });
  return { op: 'cast', arg, to, name: expr.type, type: to.type, key: `cast(${arg.key} as ${to.whole ? 'integer' : to.type})` };
}

function checkExtract(check: Check, expr: Extract<Expr, { kind: 'extract' }>): Typed {
  const field = DATE_FIELDS.find(known => known === expr.field);
  if (!field) throw check.fault(expr, { code: 'wrong-type', needs: `a field: ${DATE_FIELDS.join(', ')}`, got: expr.field });
  const arg = check.typed(expr.arg, ...(TIME_FIELDS.includes(field) ? (['timestamp'] as const) : (['date', 'timestamp'] as const)));
  return { op: 'extract', arg, field, type: 'number', key: `extract(${field} from ${arg.key})` };
}

function compared(check: Check, leftExpr: Expr, sign: '=' | '<>' | '<' | '<=' | '>' | '>=', rightExpr: Expr): Typed {
  const { parts } = check.alike([leftExpr, rightExpr]);
  const [left, right] = parts as [Typed, Typed];
  return { op: 'compare', sign, left, right, type: 'boolean', key: infix(left, sign, right) };
}

function checkDistinct(check: Check, expr: Extract<Expr, { kind: 'is-distinct' }>): Typed {
  const { parts } = check.alike([expr.left, expr.right]);
  const [left, right] = parts as [Typed, Typed];
  const sign = `is ${expr.negated ? 'not ' : ''}distinct from`;
  return { op: 'is-distinct', left, right, negated: expr.negated, type: 'boolean', key: infix(left, sign, right) };
}

/** `x between a and b` is `x >= a and x <= b`, word for word as the standard defines it. */
function checkBetween(check: Check, expr: Extract<Expr, { kind: 'between' }>): Typed {
  const inside = joined('and', [compared(check, expr.arg, '>=', expr.low), compared(check, expr.arg, '<=', expr.high)]);
  return expr.negated ? negation(inside) : inside;
}

/** `x in (a, b)` is `x = a or x = b`. */
function checkIn(check: Check, expr: Extract<Expr, { kind: 'in' }>): Typed {
  const any = joined(
    'or',
    expr.items.map(item => compared(check, expr.arg, '=', item)),
  );
  return expr.negated ? negation(any) : any;
}

const negation = (arg: Typed): Typed => ({ op: 'not', arg, type: 'boolean', key: `(not ${arg.key})` });
const joined = (op: 'and' | 'or', parts: readonly Typed[]): Typed =>
  parts.reduce((left, right) => ({ op, left, right, type: 'boolean', key: infix(left, op, right) }));
const infix = (left: Typed, sign: string, right: Typed): string => `(${left.key} ${sign} ${right.key})`;

function checkCase(check: Check, expr: Extract<Expr, { kind: 'case' }>): Typed {
  const { subject } = expr;
  const whens = expr.branches.map(({ when }) => (subject ? compared(check, subject, '=', when) : check.typed(when, 'boolean')));
  const results = [...expr.branches.map(branch => branch.then), ...(expr.otherwise ? [expr.otherwise] : [])];
  const { parts, type } = check.alike(results);
  const branches = whens.map((when, i): TypedBranch => ({ when, then: parts[i] as Typed }));
  const otherwise = expr.otherwise ? (parts.at(-1) as Typed) : null;
  const key = `case ${branches.map(({ when, then }) => `when ${when.key} then ${then.key}`).join(' ')}${otherwise ? ` else ${otherwise.key}` : ''} end`;
  return { op: 'case', branches, otherwise, type, key };
}
