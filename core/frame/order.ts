import { groupRows, sortRows, type SortKey } from 'core/formula';
import { columnOf, isNumeric, type Column, type NumericValues, type Table } from 'core/table';
import { keyOf } from './measures';
import type { FigureData } from './schema';

/** Rows of the unsorted frame in the figure's order; null when they stay as they come. */
export function orderOf(table: Table, data: FigureData): Int32Array | null {
  const keys = sortKeys(table, data);
  return keys.length ? sortRows(keys, table.rowCount) : null;
}

function sortKeys(table: Table, { order, category, series, panel, step }: FigureData): SortKey[] {
  const names = columnOf(table, category) as Column;
  switch (order.by) {
    case 'table':
      // Steps that were filled in came last: as in the table means in time.
      return step ? [{ values: names }] : [];
    case 'category':
      return [{ values: names, descending: order.descending }];
    case 'hand':
      return [{ values: handPlaces(names, order.keys) }];
    case 'measure': {
      const values = columnOf(table, order.measure);
      if (!values) return [];
      const split = series !== null || panel !== null;
      const key = split && isNumeric(values) ? totalsByCategory(values, names, table.rowCount) : values;
      return [{ values: key, descending: order.descending }];
    }
  }
}

/** Where the figure is split, a category stands where its total says, in every panel and series. */
function totalsByCategory(values: NumericValues, category: Column, rows: number): NumericValues {
  const { ids, count } = groupRows([category], rows);
  const [totals, there] = [new Float64Array(count), new Uint8Array(count)];
  for (let row = 0; row < rows; row++) {
    const value = values.data[row] as number;
    const group = ids ? (ids[row] as number) : 0;
    if (value !== value) continue;
    totals[group] = (totals[group] as number) + value;
    there[group] = 1;
  }
  return {
    type: 'number',
    data: Float64Array.from({ length: rows }, (_, row) => (there[ids?.[row] ?? 0] ? (totals[ids?.[row] ?? 0] as number) : NaN)),
  };
}

function handPlaces(category: Column, keys: readonly (string | null)[]): NumericValues {
  const places = new Map(keys.map((key, place) => [key, place]));
  return { type: 'number', data: Float64Array.from(category.data, (_, row) => places.get(keyOf(category, row)) ?? keys.length) };
}
