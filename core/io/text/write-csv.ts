import { textAt, type Table } from 'core/table';

/** How a table is written as CSV. */
export interface CsvOptions {
  /**
   * An apostrophe before texts that a spreadsheet would run as a formula: those that begin with = + - @, a tab or a carriage return. Reading takes it
   * off again. Numbers stay numbers.
   */
  readonly guardsFormulas?: boolean;
  /** A byte-order mark, by which some programs know UTF-8. */
  readonly mark?: boolean;
}

// A cell that needs quotes by RFC 4180, or whose edges would be trimmed by a careless reader.
const NEEDS_QUOTES = /[",\r\n]|^\s|\s$/;
// One apostrophe more where there are some, so that what is taken off is what was put on.
const RUNS = /^'*[=+\-@\t\r]/;

/** A table as CSV by RFC 4180: numbers in shortest exact form, dates as ISO text, missing as an empty cell, CRLF. */
export function writeCsv(table: Table, { guardsFormulas = false, mark = false }: CsvOptions = {}): string {
  const text = (cell: string): string => quoted(guardsFormulas && RUNS.test(cell) ? `'${cell}` : cell);
  const lines = [table.columns.map(column => text(column.name)).join(',')];
  for (let row = 0; row < table.rowCount; row++)
    lines.push(table.columns.map(column => (column.type === 'text' ? text(textAt(column, row)) : quoted(textAt(column, row)))).join(','));
  return `${mark ? '\uFEFF' : ''}${lines.join('\r\n')}\r\n`;
}

const quoted = (text: string): string => (NEEDS_QUOTES.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
