import { failure, type Result } from 'core/result';
import type { ColumnType, Table } from 'core/table';
import { checkFormula, type FormulaPlace, type Scope } from './check';
import { MAX_NESTING, parseFormula, placeOf } from './parse';
import type { Typed } from './typed';

/** The columns of a table as the scope of a formula. */
export const scopeOf = (table: Table): Scope => new Map(table.columns.map(column => [column.name, column.type]));

/** A scope with one more column. Its signature grows from the old one's, so that a row of helper columns costs little. */
export function scopeWith(scope: Scope, name: string, type: ColumnType): Scope {
  const wider = new Map(scope).set(name, type);
  signatures.set(wider, `${signatureOf(scope)}${JSON.stringify([name, type])}`);
  return wider;
}

/**
 * A formula's text, checked against the columns it sees and ready to evaluate. Results are kept for the same text,
 * place and columns, so an edit of data compiles nothing anew.
 */
export function compileFormula(text: string, scope: Scope, place: FormulaPlace = 'column'): Result<Typed> {
  const key = `${place}|${signatureOf(scope)}|${text}`;
  let compiled = recent.get(key);
  if (!compiled) {
    if (recent.size >= KEPT) recent.clear();
    recent.set(key, (compiled = compileAnew(text, scope, place)));
  }
  return compiled;
}

// Enough for every formula of a large project, small enough to forget about.
const KEPT = 2_000;
const recent = new Map<string, Result<Typed>>();
const signatures = new WeakMap<Scope, string>();

function signatureOf(scope: Scope): string {
  let signature = signatures.get(scope);
  if (signature === undefined) signatures.set(scope, (signature = JSON.stringify([...scope])));
  return signature;
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
