import { writeCsv, type CsvOptions } from 'core/io';
import { cellAt, type Table } from 'core/table';

/** A table as CSV by RFC 4180, or as a JSON list of objects. */
export function writeTable(table: Table, format: 'csv' | 'json', options: CsvOptions = {}): string {
  if (format === 'csv') return writeCsv(table, options);
  const lines = Array.from({ length: table.rowCount }, (_, row) =>
    JSON.stringify(Object.fromEntries(table.columns.map(column => [column.name, cellAt(column, row)]))),
  );
  return lines.length ? `[\n${lines.join(',\n')}\n]\n` : '[]\n';
}
