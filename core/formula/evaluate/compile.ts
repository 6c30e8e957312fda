import { keptPer, type Kept } from 'core/stages';
import { failure, type Result } from 'core/result';
import type { ColumnType, Table } from 'core/table';
import { checkFormula } from '../check/check';
import type { FormulaPlace, Scope } from '../check/checking';
import { MAX_NESTING, parseFormula, placeOf } from '../tree/parse';
import type { Typed } from './typed';

/** The columns of a table as a scope. Tables with the same columns share one object. */
export function scopeOf(table: Table): Scope {
  const signature = JSON.stringify(table.columns.map(({ name, type }) => [name, type]));
  let scope = scopes.get(signature);
  if (!scope) {
    if (scopes.size >= KEPT) scopes.clear();
    scopes.set(signature, (scope = new Map(table.columns.map(column => [column.name, column.type]))));
  }
  return scope;
}

/** A scope with one more column. The same arguments give the same object, so that compiled formulas are found again. */
export function scopeWith(scope: Scope, name: string, type: ColumnType): Scope {
  const wider = keptIn(widened, scope, type);
  let found = wider.get(name);
  if (!found) wider.set(name, (found = new Map(scope).set(name, type)));
  return found;
}

/**
 * A formula, parsed and checked against a scope, ready to evaluate. Results are kept for the same text, place and scope, so that an edit of data
 * compiles nothing.
 */
export function compileFormula(text: string, scope: Scope, place: FormulaPlace = 'column'): Result<Typed> {
  const known = keptIn(compiled, scope, place);
  let result = known.get(text);
  if (!result) known.set(text, (result = compileAnew(text, scope, place)));
  return result;
}

// Enough for every formula of a large project, small enough to forget about.
const KEPT = 2_000;
const scopes = new Map<string, Scope>();
const widened: ByScope<Scope> = keptPer();
const compiled: ByScope<Result<Typed>> = keptPer();

/** The cache of a scope: by purpose, then by text. Joined keys would have to be hashed again at each lookup. */
type ByScope<Value> = Kept<Scope, Map<string, Map<string, Value>>>;

function keptIn<Value>(all: ByScope<Value>, scope: Scope, sort: string): Map<string, Value> {
  let sorts = all.get(scope);
  if (!sorts) all.set(scope, (sorts = new Map<string, Map<string, Value>>()));
  let kept = sorts.get(sort);
  if (!kept || kept.size >= KEPT) sorts.set(sort, (kept = new Map<string, Value>()));
  return kept;
}

function compileAnew(text: string, scope: Scope, place: FormulaPlace): Result<Typed> {
  try {
    const parsed = parseFormula(text);
    return parsed.ok ? checkFormula(text, parsed.value, scope, place) : parsed;
  } catch (error) {
    // A chain of thousands of operators can still exhaust the stack on a small device.
    if (error instanceof RangeError)
      return failure({ code: 'too-deep', limit: MAX_NESTING, at: placeOf(text, { start: 0, end: 0 }), words: '' });
    throw error;
  }
}
