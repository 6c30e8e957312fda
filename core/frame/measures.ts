import { compileFormula, Evaluator, parseFormula, scopeOf, type Groups } from 'core/formula';
import { success, type Result } from 'core/result';
import { isMissing, named, textAt, type Column, type NumericValues, type Table } from 'core/table';
import type { Measure, WhatIf } from './schema';

/** Columns that formulas gave, and by name how many of their rows have no value though all that they are computed from is there. */
export interface Computed {
  readonly columns: readonly Column[];
  readonly withoutValue: Readonly<Record<string, number>>;
}

/** Each measure as a column with one value per group. */
export function measureColumns(rows: Table, groups: Groups, measures: readonly Measure[]): Result<Computed> {
  const scope = scopeOf(rows);
  const evaluator = new Evaluator(rows, groups);
  const columns: Column[] = [];
  const withoutValue: Record<string, number> = {};
  for (const { name, formula } of measures) {
    const compiled = compileFormula(formula, scope, 'measure');
    if (!compiled.ok) return compiled;
    columns.push(named(name, evaluator.values(compiled.value)));
    withoutValue[name] = evaluator.withoutValue(compiled.value);
  }
  return success({ columns, withoutValue });
}

/** The text that names a value of a key column in edits and what-ifs; null for a missing one. */
export const keyOf = (column: Column, row: number): string | null => (isMissing(column, row) ? null : textAt(column, row));

const wholeKey = (parts: readonly (string | null)[]): string => JSON.stringify(parts);

/** A measure's values with this figure's what-if values in their places; `marked` is 1 there, null when there are none. */
export function withWhatIfs(
  column: Column,
  keys: readonly Column[],
  whatIfs: readonly WhatIf[],
): { column: Column; marked: Uint8Array | null } {
  const own = new Map(
    whatIfs.filter(whatIf => whatIf.measure === column.name).map(whatIf => [wholeKey([whatIf.category, ...whatIf.split]), whatIf.value]),
  );
  if (own.size === 0 || column.type !== 'number') return { column, marked: null };
  const marked = new Uint8Array(column.data.length);
  const data = (column as NumericValues).data.slice();
  for (let row = 0; row < data.length; row++) {
    const key = wholeKey(keys.map(column => keyOf(column, row)));
    if (!own.has(key)) continue;
    data[row] = own.get(key) ?? NaN;
    marked[row] = 1;
  }
  return { column: { ...column, data }, marked };
}

/** The column that a simple measure such as `sum(milk)` sums up, or undefined for any other formula. */
export function summedColumn(formula: string): { readonly summary: string; readonly column: string } | undefined {
  const parsed = parseFormula(formula);
  if (!parsed.ok || parsed.value.kind !== 'call') return undefined;
  const { name, args, filter, over, distinct } = parsed.value;
  const [arg, ...more] = args;
  if (arg?.kind !== 'name' || more.length || filter || over || distinct) return undefined;
  return { summary: name, column: arg.name };
}
