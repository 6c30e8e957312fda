import { failure, success, type Result } from 'core/result';
import { cellAt, columnOf, makeTable, MISSING_TEXT, named, takeColumn, TextCodes, type Column, type Values } from 'core/table';
import { keyCodes } from './key-codes';
import { stack } from './stack';
import { MOST_ROWS, type Made, type NamedTable } from './step';

/** The most columns that rows are turned into. */
export const MOST_TURNED = 1_000;

/**
 * Columns turned into rows: each row becomes one for each of the columns, in their order, with the column's `name` and its `value`; missing values stay.
 * Problems: a column that is not there, names that are taken, more than `MOST_ROWS` rows. Cost: one pass over the new cells.
 */
export function turnLong(
  { name: of, table }: NamedTable,
  columns: readonly string[],
  { name, value }: { readonly name: string; readonly value: string },
): Result<Made> {
  const absent = columns
    .filter(column => !columnOf(table, column))
    .map(column => ({ code: 'made-no-column' as const, table: of, name: column }));
  if (absent.length) return failure(...absent);
  const kept = table.columns.filter(column => !columns.includes(column.name));
  const taken = [name, value].filter(own => kept.some(column => column.name === own) || name === value);
  if (taken.length) return failure({ code: 'made-name-taken', name: taken[0] as string });
  const rowCount = table.rowCount * columns.length;
  if (rowCount > MOST_ROWS) return failure({ code: 'made-too-large', rows: rowCount, limit: MOST_ROWS });
  // Below each other column by column, then taken row by row.
  const values = stack(
    columns.map(column => ({ name: column, table: makeTable(column, [named(value, columnOf(table, column) as Column)]) })),
    name,
  );
  if (!values.ok) return values;
  const order = new Int32Array(rowCount);
  const rows = new Int32Array(rowCount);
  for (let row = 0, at = 0; row < table.rowCount; row++)
    for (let column = 0; column < columns.length; column++, at++) {
      order[at] = column * table.rowCount + row;
      rows[at] = row;
    }
  const turned = values.value.table.columns.map(column => takeColumn(column, order));
  return success({ table: makeTable(of, [...kept.map(column => takeColumn(column, rows)), ...turned]), notes: values.value.notes });
}

/**
 * Rows turned into columns: one row for each different set of all other columns, as they first come, missing values alike; one column for each value of the
 * column `name`, as they first come, with what stands in `value`. Problems: two values for one place, more than `MOST_TURNED` columns, columns that are not
 * there. Cost: a pass over the cells.
 */
export function turnWide(
  { name: of, table }: NamedTable,
  { name, value }: { readonly name: string; readonly value: string },
): Result<Made> {
  const [names, values] = [columnOf(table, name), columnOf(table, value)];
  if (!names || !values) return failure({ code: 'made-no-column', table: of, name: names ? value : name });
  const others = table.columns.filter(column => column !== names && column !== values);
  const [groups, heads] = [groupsOf(others, table.rowCount), headsOf(names, table.rowCount)];
  if (heads.names.length > MOST_TURNED) return failure({ code: 'made-too-wide', name, columns: heads.names.length, limit: MOST_TURNED });
  if (groups.count * heads.names.length > MOST_ROWS * 10) return failure({ code: 'made-too-large', rows: groups.count, limit: MOST_ROWS });
  const rows = heads.names.map(() => new Int32Array(groups.count).fill(-1));
  for (let row = 0; row < table.rowCount; row++) {
    const [group, head] = [groups.codes[row] as number, heads.codes[row] as number];
    const places = rows[head] as Int32Array;
    if (places[group] !== -1)
      return failure({ code: 'made-place-twice', name: heads.names[head] as string, rows: [(places[group] as number) + 1, row + 1] });
    places[group] = row;
  }
  const taken = heads.names.find(head => others.some(column => column.name === head));
  if (taken !== undefined) return failure({ code: 'made-name-taken', name: taken });
  const kept = others.map(column => takeColumn(column, groups.first));
  return success({
    table: makeTable(of, [...kept, ...heads.names.map((head, i) => named(head, takeColumn(values, rows[i] as Int32Array)))]),
    notes: [],
  });
}

/** Rows that agree in all columns, missing values alike, as they first come. */
function groupsOf(columns: readonly Column[], rowCount: number): { codes: Int32Array; count: number; first: Int32Array } {
  if (columns.length === 0)
    return { codes: new Int32Array(rowCount), count: Math.min(1, rowCount), first: new Int32Array(Math.min(1, rowCount)) };
  const { codes, count } = keyCodes([columns.map(withMissing)]);
  const own = codes[0] as Int32Array;
  const first = new Int32Array(count).fill(-1);
  for (let row = 0; row < rowCount; row++) if (first[own[row] as number] === -1) first[own[row] as number] = row;
  return { codes: own, count, first };
}

/** A column in which a missing value is a value of its own. */
function withMissing(column: Column): Column {
  if (column.type === 'text') {
    const code = column.dictionary.length;
    const values: Values = {
      type: 'text',
      data: column.data.map(own => (own === MISSING_TEXT ? code : own)),
      dictionary: [...column.dictionary, '\u0000missing'],
    };
    return named(column.name, values);
  }
  const data = column.type === 'boolean' ? Float64Array.from(column.data) : column.data.map(raw => (Number.isNaN(raw) ? Infinity : raw));
  return named(column.name, { type: 'number', data });
}

/** The names of new columns by row, as they first come; a missing name reads “(missing)”. */
function headsOf(column: Column, rowCount: number): { codes: Int32Array; names: readonly string[] } {
  const codes = new TextCodes();
  const own = Int32Array.from({ length: rowCount }, (_, row) => codes.codeOf(String(cellAt(column, row) ?? '(missing)')));
  return { codes: own, names: codes.dictionary };
}
