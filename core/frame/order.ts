import { groupRows, sortRows, type SortKey } from 'core/formula';
import { columnOf, isNumeric, type Column, type NumericValues, type Table } from 'core/table';
import { keyOf } from './measures';
import { isAdditive } from './overall';
import type { FigureData } from './schema';

/** A measure's own formula over all rows of each category, per frame row; undefined for what is no measure. */
export type WholeOf = (measure: string) => NumericValues | undefined;

/** Rows of the unsorted frame in the figure's order; null when they stay as they come. */
export function orderOf(table: Table, data: FigureData, wholeOf: WholeOf): Int32Array | null {
  const keys = sortKeys(table, data, wholeOf);
  return keys.length ? sortRows(keys, table.rowCount) : null;
}

function sortKeys(table: Table, data: FigureData, wholeOf: WholeOf): SortKey[] {
  const { order, category, step } = data;
  const names = columnOf(table, category) as Column;
  switch (order.by) {
    case 'table':
      // Steps that were filled in came last: as in the table means in time.
      if (step) return [{ values: names, descending: order.backward ?? false }];
      return order.backward ? [{ values: placesIn(table), descending: true }] : [];
    case 'category':
      return [{ values: names, descending: order.descending }];
    case 'hand':
      return [{ values: handPlaces(names, order.keys) }];
    case 'measure': {
      const values = columnOf(table, order.measure);
      return values ? [{ values: sizesOf(values, table, data, wholeOf), descending: order.descending }] : [];
    }
  }
}

/**
 * What categories are ordered by. Where the figure is split, a category stands in one place in every panel and series: where its total says if
 * that may be summed, else where the measure's own formula over all its rows says; a helper column by hand has only its mean.
 */
function sizesOf(
  values: Column,
  table: Table,
  { series, panel, measures, category }: FigureData,
  wholeOf: WholeOf,
): Column | NumericValues {
  const split = (series !== null && series !== category) || (panel !== null && panel !== category);
  if (!split || !isNumeric(values)) return values;
  const measure = measures.find(({ name }) => name === values.name);
  const names = columnOf(table, category) as Column;
  if (!measure) return byCategory(values, names, table.rowCount, 'mean');
  return isAdditive(measure.formula) ? byCategory(values, names, table.rowCount, 'total') : (wholeOf(measure.name) ?? values);
}

function byCategory(values: NumericValues, category: Column, rows: number, as: 'total' | 'mean'): NumericValues {
  const { ids, count } = groupRows([category], rows);
  const [totals, there] = [new Float64Array(count), new Float64Array(count)];
  for (let row = 0; row < rows; row++) {
    const value = values.data[row] as number;
    const group = ids ? (ids[row] as number) : 0;
    if (value !== value) continue;
    totals[group] = (totals[group] as number) + value;
    there[group] = (there[group] as number) + 1;
  }
  const size = totals.map((total, group) => (there[group] ? (as === 'total' ? total : total / there[group]) : NaN));
  return { type: 'number', data: Float64Array.from({ length: rows }, (_, row) => size[ids?.[row] ?? 0] as number) };
}

const placesIn = ({ rowCount }: Table): NumericValues => ({
  type: 'number',
  data: Float64Array.from({ length: rowCount }, (_, row) => row),
});

function handPlaces(category: Column, keys: readonly (string | null)[]): NumericValues {
  const places = new Map(keys.map((key, place) => [key, place]));
  return { type: 'number', data: Float64Array.from(category.data, (_, row) => places.get(keyOf(category, row)) ?? keys.length) };
}
