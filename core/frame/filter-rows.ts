import { columnOf, isMissing, textAt, valuesFrom, type Cell, type NumericValues, type Table, type Values } from 'core/table';
import type { Filter } from './schema';

/** Rows that pass every filter, in table order; null when all rows do. A filter on an unknown column keeps all. */
export function filterRows(table: Table, filters: readonly Filter[]): Int32Array | null {
  if (filters.length === 0) return null;
  const kept = new Uint8Array(table.rowCount).fill(1);
  for (const filter of filters) {
    const column = columnOf(table, filter.column);
    if (column) dropRows(kept, column, filter);
  }
  const count = kept.reduce((sum, keep) => sum + keep, 0);
  if (count === table.rowCount) return null;
  const rows = new Int32Array(count);
  for (let row = 0, at = 0; row < kept.length; row++) if (kept[row]) rows[at++] = row;
  return rows;
}

function dropRows(kept: Uint8Array, column: Values, filter: Filter): void {
  const passes = filter.kind === 'values' ? valueTest(column, filter.keep) : rangeTest(column, filter.low, filter.high);
  for (let row = 0; row < kept.length; row++) if (kept[row] && !passes(row)) kept[row] = 0;
}

function valueTest(column: Values, keep: readonly (string | null)[]): (row: number) => boolean {
  const wanted = new Set(keep);
  if (column.type !== 'text') return row => wanted.has(isMissing(column, row) ? null : textAt(column, row));
  const { data } = column;
  const byCode = column.dictionary.map(text => wanted.has(text));
  return row => byCode[data[row] as number] ?? wanted.has(null);
}

/** Missing values fall outside every range; text has none, so it passes. */
function rangeTest(column: Values, low: Cell, high: Cell): (row: number) => boolean {
  if (column.type === 'text' || column.type === 'boolean') return () => true;
  const [from, to] = (valuesFrom(column.type, [low, high]) as NumericValues).data;
  const least = low === null ? -Infinity : (from as number);
  const most = high === null ? Infinity : (to as number);
  const { data } = column;
  return row => (data[row] as number) >= least && (data[row] as number) <= most;
}
