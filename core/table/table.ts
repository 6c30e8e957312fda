import type { Column, Values } from './column';

/** Columns of equal length, in order. */
export interface Table {
  readonly name: string;
  readonly rowCount: number;
  readonly columns: readonly Column[];
}

/** A table of columns; throws when their lengths differ or two share a name. */
export function makeTable(name: string, columns: readonly Column[]): Table {
  const rowCount = columns[0]?.data.length ?? 0;
  const names = new Set<string>();
  for (const column of columns) {
    if (column.data.length !== rowCount)
      throw new RangeError(`column ${column.name} has ${column.data.length} rows, the table ${rowCount}`);
    if (names.has(column.name)) throw new RangeError(`two columns are called ${column.name}`);
    names.add(column.name);
  }
  return { name, rowCount, columns };
}

/** A column by its name; undefined where there is none. Cost: O(columns). */
export const columnOf = (table: Table, name: string): Column | undefined => table.columns.find(column => column.name === name);

/** Values under a name. */
export const named = (name: string, values: Values): Column => ({ ...values, name });

/** The table with more columns behind its own. */
export const withColumns = (table: Table, columns: readonly Column[]): Table => makeTable(table.name, [...table.columns, ...columns]);

/** The memory behind a table's columns, each piece once: what can move to another thread instead of being copied. */
export const buffersOf = ({ columns }: Table): ArrayBufferLike[] => [...new Set(columns.map(column => column.data.buffer))];
