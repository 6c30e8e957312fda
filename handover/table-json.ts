import { cellAt, type Table } from 'core/table';

/** A table as a JSON list of objects, one line for each row; numbers in shortest exact form, dates as ISO text, missing as null. */
export function tableJson(table: Table): string {
  const lines = Array.from({ length: table.rowCount }, (_, row) =>
    JSON.stringify(Object.fromEntries(table.columns.map(column => [column.name, cellAt(column, row)]))),
  );
  return lines.length ? `[\n${lines.join(',\n')}\n]\n` : '[]\n';
}
