import { rowsWithValue, type ColumnType, type Table } from 'core/table';

/** The facts about a column that are needed to see what another source changes in it. */
export interface OutlineColumn {
  readonly name: string;
  readonly type: ColumnType;
  /** Rows with a value. */
  readonly there: number;
  /** The different texts that rows have; null for columns of other types, and for more than can be compared. */
  readonly values: readonly string[] | null;
}

/** A table without its rows. */
export interface TableOutline {
  readonly rowCount: number;
  readonly columns: readonly OutlineColumn[];
  /** How many rows or cells each of its mends took, in their order. */
  readonly mended: readonly number[];
}

// Of more different texts none are compared: such a column names no categories.
const MOST_VALUES = 5_000;

/** A table without its rows. Cost: a pass over each column. */
export const outlineOf = ({ rowCount, columns }: Table, mended: readonly number[] = []): TableOutline => ({
  rowCount,
  mended,
  columns: columns.map(column => {
    const there = rowsWithValue(column).length;
    if (column.type !== 'text') return { name: column.name, type: column.type, there, values: null };
    const used = new Uint8Array(column.dictionary.length);
    for (const code of column.data) if (code >= 0) used[code] = 1;
    const values = column.dictionary.filter((_, code) => used[code] === 1);
    return { name: column.name, type: 'text', there, values: values.length > MOST_VALUES ? null : values };
  }),
});
