import { rawOf } from './cells';
import { MISSING_TEXT, type Cell, type Column, type Values } from './column';
import { makeTable, named, type Table } from './table';

/** One edited cell, laid over the source table. */
export interface CellEdit {
  readonly row: number;
  readonly column: string;
  readonly value: Cell;
}

/** The table as edited: touched columns are copied, all others shared. Edits of unknown columns or rows are passed over. */
export function applyEdits(table: Table, edits: readonly CellEdit[]): Table {
  if (edits.length === 0) return table;
  const byColumn = new Map<string, CellEdit[]>();
  for (const edit of edits) {
    if (edit.row >= table.rowCount) continue;
    const list = byColumn.get(edit.column);
    if (list) list.push(edit);
    else byColumn.set(edit.column, [edit]);
  }
  return makeTable(
    table.name,
    table.columns.map(column => patched(column, byColumn.get(column.name))),
  );
}

const patched = (column: Column, edits: readonly CellEdit[] | undefined): Column =>
  edits ? named(column.name, patchValues(column, edits)) : column;

function patchValues(values: Values, edits: readonly CellEdit[]): Values {
  if (values.type === 'text') return patchText(values, edits);
  const data = values.data.slice();
  for (const edit of edits) data[edit.row] = rawOf(values.type, edit.value);
  return { ...values, data } as Values;
}

function patchText(values: Extract<Values, { type: 'text' }>, edits: readonly CellEdit[]): Values {
  const data = values.data.slice();
  const dictionary = [...values.dictionary];
  for (const edit of edits) data[edit.row] = edit.value === null ? MISSING_TEXT : codeIn(dictionary, String(edit.value));
  return { type: 'text', data, dictionary };
}

function codeIn(dictionary: string[], text: string): number {
  const at = dictionary.indexOf(text);
  return at >= 0 ? at : dictionary.push(text) - 1;
}
