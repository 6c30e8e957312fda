import { cellAt } from './cells';
import type { Column } from './column';
import type { CellEdit } from './overlay';
import { columnOf, type Table } from './table';

/** Edits of a table's cells as they stand in another that takes its place, and how many have no place there. */
export interface CarriedEdits {
  readonly edits: readonly CellEdit[];
  readonly lost: number;
}

/**
 * Edits go with their row, known by its texts, dates and answers that both tables have: to the one row of the other table that has the same, where the
 * edited cell holds what it held. What fits no row, or several, is lost. Cost: O(rows × columns of the key) where there are edits.
 */
export function carriedEdits(before: Table, after: Table, edits: readonly CellEdit[]): CarriedEdits {
  if (edits.length === 0) return { edits, lost: 0 };
  const keys = before.columns.filter(({ name, type }) => type !== 'number' && columnOf(after, name)?.type === type);
  const edited = new Set(edits.map(({ column }) => column));
  // A key that was edited itself would be looked for by what it was.
  const names = keys.filter(({ name }) => !edited.has(name)).map(({ name }) => name);
  const [old, fresh] = [rowsByKey(before, names), rowsByKey(after, names)];
  const carried = edits.flatMap((edit): CellEdit[] => {
    const key = keyAt(columnsOf(before, names), edit.row);
    const [rows, was, is] = [fresh.get(key) ?? [], columnOf(before, edit.column), columnOf(after, edit.column)];
    const isOne = names.length > 0 && rows.length === 1 && old.get(key)?.length === 1;
    if (!isOne || was?.type !== is?.type || !was || !is) return [];
    const row = rows[0] as number;
    return cellAt(was, edit.row) === cellAt(is, row) ? [{ ...edit, row }] : [];
  });
  return { edits: carried, lost: edits.length - carried.length };
}

const columnsOf = (table: Table, names: readonly string[]): Column[] => names.map(name => columnOf(table, name) as Column);

const keyAt = (columns: readonly Column[], row: number): string => JSON.stringify(columns.map(column => cellAt(column, row)));

/** Up to two rows for each key: more tell no more. */
function rowsByKey(table: Table, names: readonly string[]): Map<string, number[]> {
  const columns = columnsOf(table, names);
  const rows = new Map<string, number[]>();
  for (let row = 0; row < table.rowCount; row++) {
    const key = keyAt(columns, row);
    const known = rows.get(key);
    if (!known) rows.set(key, [row]);
    else if (known.length < 2) known.push(row);
  }
  return rows;
}
