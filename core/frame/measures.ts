import { lastPer } from 'core/stages';
import { compileFormula, Evaluator, parseFormula, scopeOf, type Groups } from 'core/formula';
import { success, type Result } from 'core/result';
import { columnOf, isMissing, isNumeric, named, takeRows, textAt, type Column, type NumericValues, type Table } from 'core/table';
import { isAdditive } from './overall';
import type { FigureData, Measure, WhatIf } from './schema';

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
    const alone = aloneValues(rows, groups, formula);
    if (alone) {
      columns.push(named(name, alone));
      withoutValue[name] = 0;
      continue;
    }
    const compiled = compileFormula(formula, scope, 'measure');
    if (!compiled.ok) return compiled;
    columns.push(named(name, evaluator.values(compiled.value)));
    withoutValue[name] = evaluator.withoutValue(compiled.value);
  }
  return success({ columns, withoutValue });
}

// What one number alone is, however it is summed up.
const ALIKE_ALONE = new Set(['sum', 'avg', 'min', 'max', 'median']);

/** A simple measure where every group has one row: its column's values, group by group. Undefined where anything has to be computed. */
function aloneValues(rows: Table, { ids, count }: Groups, formula: string): NumericValues | undefined {
  if (ids === null || count !== rows.rowCount) return undefined;
  const parts = summedColumn(formula);
  const column = parts && ALIKE_ALONE.has(parts.summary) ? columnOf(rows, parts.column) : undefined;
  if (column?.type !== 'number' || !areAlone(ids, count)) return undefined;
  const [values, data] = [column.data, new Float64Array(count)];
  // A sum of −0 is 0.
  for (let row = 0; row < count; row++) data[ids[row] as number] = (values[row] as number) + 0;
  return { type: 'number', data };
}

/** Whether no two rows are of one group. Kept with the ids, which never change: an edit of a measure leaves them as they are. */
const areAlone = lastPer(findAlone);

function findAlone(ids: Int32Array, count: number): boolean {
  const seen = new Uint8Array(count);
  for (const id of ids) {
    if (seen[id] === 1) return false;
    seen[id] = 1;
  }
  return true;
}

/**
 * What each measure is in a period without rows: a count of none is 0, a sum of none is missing, or 0 where the figure says so. Whatever else a
 * formula makes of no rows stands there too.
 */
export function emptyValues(rows: Table, measures: readonly Measure[], empty: FigureData['empty']): Record<string, number> {
  const none = takeRows(rows, []);
  const evaluator = new Evaluator(none, { ids: new Int32Array(0), count: 1, rows: 0 });
  const values: Record<string, number> = {};
  for (const { name, formula } of measures) {
    const compiled = compileFormula(formula, scopeOf(none), 'measure');
    const value = compiled.ok ? evaluator.values(compiled.value) : undefined;
    if (!value || !isNumeric(value)) continue;
    const over = value.data[0] as number;
    if (!Number.isNaN(over)) values[name] = over;
    else if (empty === 'zero' && isAdditive(formula)) values[name] = 0;
  }
  return values;
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
