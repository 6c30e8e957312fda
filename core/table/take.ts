import { MISSING_BOOLEAN, MISSING_TEXT, type Column, type Values } from './column';
import { makeTable, named, type Table } from './table';

/** The values at the given rows, in that order, repeats allowed; a row of −1 gives a missing value. */
export function takeValues(values: Values, rows: ArrayLike<number>): Values {
  switch (values.type) {
    case 'text':
      return { ...values, data: gather(values.data, rows, new Int32Array(rows.length), MISSING_TEXT) };
    case 'boolean':
      return { ...values, data: gather(values.data, rows, new Uint8Array(rows.length), MISSING_BOOLEAN) };
    default:
      return { ...values, data: gather(values.data, rows, new Float64Array(rows.length), NaN) };
  }
}

/** A column's values at some rows, in their order; a row of −1 gives a missing value. Cost: O(rows). */
export const takeColumn = (column: Column, rows: ArrayLike<number>): Column => named(column.name, takeValues(column, rows));

/** The rows of a table at the given indices, in that order. */
export const takeRows = (table: Table, rows: ArrayLike<number>): Table =>
  makeTable(
    table.name,
    table.columns.map(column => takeColumn(column, rows)),
  );

function gather<A extends Float64Array | Int32Array | Uint8Array>(from: A, rows: ArrayLike<number>, into: A, missing: number): A {
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i] as number;
    into[i] = row < 0 ? missing : (from[row] as number);
  }
  return into;
}
