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

/**
 * The same, each column gathered when its values are first read: of a wide table a figure reads a few. Memory: the table stays as long as the result does.
 *
 * @param rows at least one column's worth; never changed afterwards
 */
export const takeRowsWhenRead = (table: Table, rows: ArrayLike<number>): Table => ({
  name: table.name,
  rowCount: rows.length,
  columns: table.columns.map(column => whenRead(column, rows)),
});

function whenRead(column: Column, rows: ArrayLike<number>): Column {
  let taken: Values['data'] | undefined;
  const get = (): Values['data'] => (taken ??= takeValues(column, rows).data);
  // By its descriptors: spreading a column would read it.
  return Object.defineProperties({}, { ...Object.getOwnPropertyDescriptors(column), data: { get, enumerable: true } }) as Column;
}

function gather<A extends Float64Array | Int32Array | Uint8Array>(from: A, rows: ArrayLike<number>, into: A, missing: number): A {
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i] as number;
    into[i] = row < 0 ? missing : (from[row] as number);
  }
  return into;
}
