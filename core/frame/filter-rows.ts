import { compileFormula, Evaluator, groupRows, scopeOf } from 'core/formula';
import { success, type Result } from 'core/result';
import {
  columnOf,
  isMissing,
  takeRowsWhenRead,
  textAt,
  valuesFrom,
  type BooleanValues,
  type Cell,
  type Column,
  type NumericValues,
  type Table,
  type Values,
} from 'core/table';
import type { Filter } from './schema';

/**
 * Rows that pass every filter, in table order; null when all do. A filter on an unknown column keeps all rows. The largest and smallest of a measure
 * are found among the rows that pass all other filters.
 */
export function filterRows(table: Table, filters: readonly Filter[]): Result<Int32Array | null> {
  if (filters.length === 0) return success(null);
  const kept = new Uint8Array(table.rowCount).fill(1);
  for (const filter of filters) {
    const dropped = filter.kind === 'formula' ? dropByFormula(kept, table, filter.formula) : success(dropByColumn(kept, table, filter));
    if (!dropped.ok) return dropped;
  }
  for (const filter of filters) {
    const dropped = filter.kind === 'top' ? dropBelow(kept, table, filter) : success(undefined);
    if (!dropped.ok) return dropped;
  }
  const rows = rowsKept(kept);
  return success(rows.length === table.rowCount ? null : rows);
}

function rowsKept(kept: Uint8Array): Int32Array {
  const rows = new Int32Array(kept.length);
  let count = 0;
  for (let row = 0; row < kept.length; row++) if (kept[row]) rows[count++] = row;
  return rows.slice(0, count);
}

function dropByColumn(kept: Uint8Array, table: Table, filter: Exclude<Filter, { kind: 'formula' }>): void {
  const column = columnOf(table, filter.column);
  if (!column || filter.kind === 'top') return;
  const passes = testOf(column, filter);
  for (let row = 0; row < kept.length; row++) if (kept[row] && !passes(row)) kept[row] = 0;
}

function testOf(column: Values, filter: Extract<Filter, { kind: 'values' | 'range' | 'missing' }>): (row: number) => boolean {
  switch (filter.kind) {
    case 'values':
      return valueTest(column, filter.keep);
    case 'range':
      return rangeTest(column, filter.low, filter.high);
    case 'missing':
      return row => isMissing(column, row) === (filter.keep === 'missing');
  }
}

function valueTest(column: Values, keep: readonly (string | null)[]): (row: number) => boolean {
  const wanted = new Set(keep);
  if (column.type !== 'text') return row => wanted.has(isMissing(column, row) ? null : textAt(column, row));
  const { data } = column;
  const byCode = column.dictionary.map(text => wanted.has(text));
  return row => byCode[data[row] as number] ?? wanted.has(null);
}

/** Missing values fall outside every range; text has none, so it passes. A range without bounds keeps all. */
function rangeTest(column: Values, low: Cell, high: Cell): (row: number) => boolean {
  if (column.type === 'text' || column.type === 'boolean' || (low === null && high === null)) return () => true;
  const [from, to] = (valuesFrom(column.type, [low, high]) as NumericValues).data;
  const least = low === null ? -Infinity : (from as number);
  const most = high === null ? Infinity : (to as number);
  const { data } = column;
  return row => (data[row] as number) >= least && (data[row] as number) <= most;
}

function dropByFormula(kept: Uint8Array, table: Table, formula: string): Result<void> {
  const compiled = compileFormula(formula, scopeOf(table), 'filter');
  if (!compiled.ok) return compiled;
  const { data } = new Evaluator(table).values(compiled.value) as BooleanValues;
  for (let row = 0; row < kept.length; row++) if (data[row] !== 1) kept[row] = 0;
  return success(undefined);
}

/** Keeps the n values of a column with the largest or smallest of a measure; those that tie with the last one stay, too. */
function dropBelow(kept: Uint8Array, table: Table, { column, n, measure, end }: Extract<Filter, { kind: 'top' }>): Result<void> {
  if (!columnOf(table, column)) return success(undefined);
  const rows = rowsKept(kept);
  const among = takeRowsWhenRead(table, rows);
  const compiled = compileFormula(measure, scopeOf(among), 'measure');
  if (!compiled.ok) return compiled;
  const groups = groupRows([columnOf(among, column) as Column], among.rowCount);
  const values = new Evaluator(among, groups).values(compiled.value);
  if (values.type === 'text' || values.type === 'boolean') return success(undefined);
  const sign = end === 'largest' ? -1 : 1;
  const sorted = values.data.filter(value => value === value).sort((a, b) => (a - b) * sign);
  const last = sorted[Math.min(Math.max(1, Math.floor(n)), sorted.length) - 1] ?? NaN;
  for (let at = 0; at < rows.length; at++) {
    const value = values.data[groups.ids ? (groups.ids[at] as number) : 0] as number;
    if (!((value - last) * sign <= 0)) kept[rows[at] as number] = 0;
  }
  return success(undefined);
}
