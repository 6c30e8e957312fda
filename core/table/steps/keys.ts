import { failure, success, type MakingProblem, type Result } from 'core/result';
import { cellAt, columnOf, type Column, type Table } from 'core/table';
import type { NamedTable } from './step';

/** One list with the columns of its key. */
export interface AlignedList extends NamedTable {
  readonly keys: readonly string[];
}

/** The columns of every list's key. Problems: a column that is not there, other types or another number of them than in the first list. */
export function keyColumns(lists: readonly AlignedList[]): Result<Column[][]> {
  const problems: MakingProblem[] = [];
  const columns = lists.map(({ name, table, keys }) =>
    keys.flatMap(key => {
      const column = columnOf(table, key);
      if (!column) problems.push({ code: 'made-no-column', table: name, name: key });
      return column ? [column] : [];
    }),
  );
  if (problems.length) return failure(...problems);
  const [first = []] = columns;
  for (const [at, own] of columns.entries()) {
    const list = lists[at] as AlignedList;
    if (own.length !== first.length) problems.push({ code: 'keys-uneven', table: list.name, keys: own.length, needed: first.length });
    for (const [part, column] of own.entries()) {
      const other = first[part];
      if (other && other.type !== column.type)
        problems.push({ code: 'keys-differ', name: column.name, table: list.name, type: column.type, other: other.type });
    }
  }
  return problems.length ? failure(...problems) : success(columns);
}

/** A key as a person reads it. */
export const keyText = (table: Table, keys: readonly string[], row: number): string =>
  keys
    .map(key => {
      const column = columnOf(table, key);
      return String((column && cellAt(column, row)) ?? '(missing)');
    })
    .join(', ');

/** Rows of a list whose key another had before, as a problem. */
export const keysTwice = ({ name, table, keys }: AlignedList, rows: readonly number[]) => ({
  code: 'keys-twice' as const,
  table: name,
  keys: rows.map(row => keyText(table, keys, row)),
});
