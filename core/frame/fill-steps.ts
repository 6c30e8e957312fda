import { groupRows } from 'core/formula';
import {
  isNumeric,
  makeTable,
  MISSING_BOOLEAN,
  MISSING_TEXT,
  named,
  type Column,
  type NumericValues,
  type Table,
  type Values,
} from 'core/table';
import type { Step } from './schema';
import { binWidth } from './bins';
import { allSteps } from './steps';

/** The values of a period without rows, by measure; every other column is missing there. */
export type EmptyValues = Readonly<Record<string, number>>;

/**
 * The frame with a row for every step between the first and the last, in every panel and series. A period without rows gets the values of its
 * measures over no rows. The first `keyCount` columns are keys, the category first.
 */
export function filledSteps(table: Table, keyCount: number, step: Step, source: Column, empty: EmptyValues): Table {
  const [category] = table.columns;
  if (step === null || !category || !isNumeric(category)) return table;
  const steps = allSteps(category, step, step.kind === 'bin' ? binWidth(source as NumericValues, step.width) : 0);
  if (!steps) return table;
  const splits = groupRows(table.columns.slice(1, keyCount), table.rowCount);
  const absent = absentSteps(category.data, splits.ids, splits.count, steps);
  if (absent.length === 0) return table;
  return makeTable(
    table.name,
    table.columns.map((column, i) => named(column.name, extended(column, i, keyCount, absent, splits.firstRows, empty))),
  );
}

interface Absent {
  readonly step: number;
  readonly split: number;
}

function absentSteps(category: Float64Array, ids: Int32Array | null, splits: number, steps: Float64Array): Absent[] {
  const there = Array.from({ length: splits }, () => new Set<number>());
  category.forEach((value, row) => there[ids ? (ids[row] as number) : 0]?.add(value));
  return there.flatMap((known, split) => Array.from(steps).flatMap(step => (known.has(step) ? [] : [{ step, split }])));
}

function extended(
  column: Column,
  i: number,
  keyCount: number,
  absent: readonly Absent[],
  firstRows: Int32Array,
  empty: EmptyValues,
): Values {
  const { length } = column.data;
  const own = isNumeric(column) ? empty[column.name] : undefined;
  const marker = own !== undefined ? own : column.type === 'text' ? MISSING_TEXT : column.type === 'boolean' ? MISSING_BOOLEAN : NaN;
  const data = new (column.data.constructor as new (length: number) => Float64Array)(length + absent.length);
  data.set(column.data);
  absent.forEach(({ step, split }, at) => {
    data[length + at] = i === 0 ? step : i < keyCount ? (column.data[firstRows[split] as number] as number) : marker;
  });
  return { ...column, data } as unknown as Values;
}
