import { failure, success, type Result } from 'core/result';
import {
  cellAt,
  columnOf,
  isNumeric,
  makeTable,
  named,
  TextCodes,
  valuesFrom,
  type Column,
  type ColumnType,
  type Values,
} from 'core/table';
import { MOST_ROWS, type Made, type MakingNote, type NamedTable } from './step';

const MS_PER_DAY = 86_400_000;

/**
 * Tables below each other by the names of their columns, in the order in which names first come; what a table lacks is missing in its rows. `from`: a
 * column that names the table of each row. Dates and moments together are moments; other types together become text, which is told. Problems: more than
 * `MOST_ROWS` rows. Cost: one pass over all cells.
 */
export function stack(tables: readonly NamedTable[], from: string | null): Result<Made> {
  const rowCount = tables.reduce((sum, { table }) => sum + table.rowCount, 0);
  if (rowCount > MOST_ROWS) return failure({ code: 'made-too-large', rows: rowCount, limit: MOST_ROWS });
  const names = [...new Set(tables.flatMap(({ table }) => table.columns.map(({ name }) => name)))];
  const notes: MakingNote[] = [];
  const columns = names.map(name => {
    const parts = tables.map(({ table }) => ({ column: columnOf(table, name), rows: table.rowCount }));
    const types = [...new Set(parts.flatMap(({ column }) => (column ? [column.type] : [])))];
    const type = typeTogether(types);
    if (types.length > 1 && type === 'text') notes.push({ code: 'types-differ', isNote: true, name, types });
    return named(name, stacked(parts, type, rowCount));
  });
  const first = tables[0]?.name ?? '';
  const own = from === null ? [] : [named(free(from, names), sourceNames(tables, rowCount))];
  return success({ table: makeTable(first, [...own, ...columns]), notes });
}

const free = (name: string, taken: readonly string[]): string => (taken.includes(name) ? free(`${name} of rows`, taken) : name);

function typeTogether(types: readonly ColumnType[]): ColumnType {
  const [first = 'text'] = types;
  if (types.length === 1) return first;
  return types.every(type => type === 'date' || type === 'timestamp') ? 'timestamp' : 'text';
}

interface Part {
  readonly column: Column | undefined;
  readonly rows: number;
}

function stacked(parts: readonly Part[], type: ColumnType, rowCount: number): Values {
  if (type === 'text') return stackedTexts(parts, rowCount);
  if (type === 'boolean')
    return valuesFrom(
      type,
      parts.flatMap(({ column, rows }) => Array.from({ length: rows }, (_, row) => (column ? cellAt(column, row) : null))),
    );
  const data = new Float64Array(rowCount).fill(NaN);
  let at = 0;
  for (const { column, rows } of parts) {
    if (column && isNumeric(column))
      data.set(type === 'timestamp' && column.type === 'date' ? column.data.map(day => day * MS_PER_DAY) : column.data, at);
    at += rows;
  }
  return { type, data };
}

function stackedTexts(parts: readonly Part[], rowCount: number): Values {
  const codes = new TextCodes();
  const data = new Int32Array(rowCount).fill(-1);
  let at = 0;
  for (const { column, rows } of parts) {
    const own = column?.type === 'text' ? column.dictionary.map(text => codes.codeOf(text)) : undefined;
    for (let row = 0; column && row < rows; row++) {
      const code = column.data[row] as number;
      if (own) data[at + row] = code < 0 ? -1 : (own[code] as number);
      else {
        const cell = cellAt(column, row);
        data[at + row] = cell === null ? -1 : codes.codeOf(String(cell));
      }
    }
    at += rows;
  }
  return { type: 'text', data, dictionary: codes.dictionary };
}

function sourceNames(tables: readonly NamedTable[], rowCount: number): Values {
  const codes = new TextCodes();
  const data = new Int32Array(rowCount);
  let at = 0;
  for (const { name, table } of tables) {
    data.fill(codes.codeOf(name), at, at + table.rowCount);
    at += table.rowCount;
  }
  return { type: 'text', data, dictionary: codes.dictionary };
}
