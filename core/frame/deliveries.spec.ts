import { messageFor } from 'core/result/words';
import { cellAt, columnOf, makeTable, named, tableOf, valuesFrom, type Cell, type Table } from 'core/table';
import { frameOf, plainMeasure, type FigureData, type Frame } from './index';

/** Six deliveries: two huts of two rows, one of one without milk, one row without a hut. */
export const table = makeTable('deliveries', [
  ...tableOf({
    hut: ['Alm', 'Berg', 'Alm', 'Cloud', null, 'Berg'],
    valley: ['Tolm', 'Siddel', 'Tolm', 'Tolm', 'Tolm', 'Siddel'],
    milk: [10, 20, 5, null, 0, 20],
  }).columns,
  named('week', valuesFrom('date', ['2031-05-01', '2031-05-01', '2031-05-08', '2031-05-08', '2031-05-15', null])),
]);

export const base: FigureData = {
  table: 'deliveries',
  category: 'hut',
  step: null,
  outer: [],
  seriesStep: null,
  empty: 'missing' as const,
  series: null,
  panel: null,
  measures: [plainMeasure('milk', 'sum(milk)')],
  helpers: [],
  filters: [],
  order: { by: 'table' },
  whatIfs: [],
};

/** A frame of the deliveries, or of another table. */
export function framed(change: Partial<FigureData> = {}, over: Table = table): Frame {
  const read = frameOf(over, { ...base, ...change });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value;
}

/** A frame's column as cells. */
export const column = (frame: Frame, name: string): Cell[] => {
  const found = columnOf(frame.table, name);
  return found ? Array.from(found.data, (_, row) => cellAt(found, row)) : [];
};
