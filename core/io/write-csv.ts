import { textAt, type Table } from 'core/table';

// A cell that needs quotes by RFC 4180, or whose edges would be trimmed by a careless reader.
const NEEDS_QUOTES = /[",\r\n]|^\s|\s$/;

/** A table as CSV by RFC 4180: numbers in shortest exact form, dates as ISO text, missing as an empty cell, CRLF. */
export function writeCsv(table: Table): string {
  const lines = [table.columns.map(column => quoted(column.name)).join(',')];
  for (let row = 0; row < table.rowCount; row++) lines.push(table.columns.map(column => quoted(textAt(column, row))).join(','));
  return `${lines.join('\r\n')}\r\n`;
}

const quoted = (text: string): string => (NEEDS_QUOTES.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
