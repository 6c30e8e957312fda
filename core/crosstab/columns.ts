import type { Figure } from 'core/document';
import { groupRows, sortRows } from 'core/formula';
import { keyOf, type FigureData, type Frame } from 'core/frame';
import { columnOf, takeColumn, type Column, type Values } from 'core/table';
import { MOST_COLUMNS } from './crosstab';
import type { Totals, Unions } from './totals';

/** The values that make the columns: which one each row of the frame is in, a row of the frame for each, and their order. */
export interface Across extends Unions {
  readonly firstRows: Int32Array;
  /** Those that are shown, in order. */
  readonly order: readonly number[];
  /** How many there is no room for. */
  readonly left: number;
}

/** The columns of a crosstab; a single one where the figure has no series. */
export function columnsOf(frame: Frame, totals: Totals, { columns }: Figure['crosstab'], { measures }: FigureData): Across {
  const { table, series } = frame;
  const column = series === null ? undefined : columnOf(table, series);
  const { ids, count, firstRows } = groupRows(column ? [column] : [], table.rowCount);
  const unions = { ids: ids ?? new Int32Array(table.rowCount), count };
  if (table.rowCount === 0) return { ...unions, count: 0, firstRows, order: [], left: 0 };
  const keys = column
    ? keyFor(columns, column, { ...unions, firstRows }, frame, () => totals.values(measures[0]?.name ?? '', unions))
    : null;
  const order = keys ? Array.from(sortRows([{ values: keys, descending: columns.descending }], count)) : [...firstRows.keys()];
  return { ...unions, firstRows, order: order.slice(0, MOST_COLUMNS), left: Math.max(0, count - MOST_COLUMNS) };
}

/** The values that the columns are ordered by, one for each. */
function keyFor(
  { by, keys }: Figure['crosstab']['columns'],
  column: Column,
  groups: Unions & { readonly firstRows: Int32Array },
  frame: Frame,
  totals: () => Float64Array,
): Values {
  switch (by) {
    case 'name':
      return takeColumn(column, groups.firstRows);
    case 'total':
      return { type: 'number', data: totals() };
    case 'table':
      return { type: 'number', data: firstSourceRows(frame, groups) };
    case 'hand': {
      const places = new Map(keys.map((key, place) => [key, place]));
      return { type: 'number', data: Float64Array.from(groups.firstRows, row => places.get(keyOf(column, row)) ?? keys.length) };
    }
  }
}

/** The first row of the table behind each group. */
function firstSourceRows({ source: { offsets, rows } }: Frame, { ids, count }: Unions): Float64Array {
  const first = new Float64Array(count).fill(NaN);
  ids.forEach((group, row) => {
    for (let at = offsets[row] as number; at < (offsets[row + 1] as number); at++) {
      const source = rows[at] as number;
      if (!(source >= (first[group] as number))) first[group] = source;
    }
  });
  return first;
}
