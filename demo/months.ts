import { utils, write, type WorkSheet } from '@e965/xlsx';
import { writeCsv } from 'core/io';
import { cellAt, columnOf, makeTable, named, takeRows, valuesFrom, type Cell, type Table } from 'core/table';

/** A file of the demo: its name and what is in it. */
export interface DemoFile {
  readonly name: string;
  readonly data: string | Uint8Array;
}

const COLUMNS = ['hut', 'week', 'milk', 'cows'] as const;

const cellsOf = (table: Table, name: string): Cell[] => {
  const column = columnOf(table, name);
  return column ? Array.from({ length: table.rowCount }, (_, row) => cellAt(column, row)) : [];
};

/** Deliveries of one month: some of their columns. */
function monthOf(deliveries: Table, month: string): Table {
  const weeks = cellsOf(deliveries, 'week');
  const rows = weeks.flatMap((week, row) => (String(week).startsWith(month) ? [row] : []));
  const kept = takeRows(deliveries, rows);
  return makeTable(
    month,
    COLUMNS.map(name => named(name, columnOf(kept, name) as NonNullable<ReturnType<typeof columnOf>>)),
  );
}

/** A month as the office sends it: names that were typed by hand, and a total below. */
function asSent(month: Table): string {
  const [huts, weeks, milk, cows] = COLUMNS.map(name => cellsOf(month, name)) as [Cell[], Cell[], Cell[], Cell[]];
  const typed = huts.map((hut, row) => (row === 3 ? `${String(hut)} ` : row === 8 ? String(hut).toLowerCase() : hut));
  const total = milk.reduce<number>((sum, value) => sum + (typeof value === 'number' ? value : 0), 0);
  const columns = [
    named('hut', valuesFrom('text', [...typed, 'Total'])),
    named('week', valuesFrom('date', [...weeks, null])),
    named('milk', valuesFrom('number', [...milk, total])),
    named('cows', valuesFrom('number', [...cows, null])),
  ];
  return writeCsv(makeTable(month.name, columns));
}

/** The next month: the column of milk is called otherwise, and a hut is spelled otherwise. */
function asSentNext(month: Table): string {
  const huts = cellsOf(month, 'hut').map(hut => (hut === 'Kettlemoor' ? 'Ketlemoor' : hut));
  const columns = month.columns.map(column =>
    column.name === 'hut' ? named('hut', valuesFrom('text', huts)) : column.name === 'milk' ? { ...column, name: 'litres' } : column,
  );
  return writeCsv(makeTable(month.name, columns));
}

/** A sheet with a title above its names, and names over two columns. */
function sheetOf(month: Table, title: string): WorkSheet {
  const [huts, weeks, milk, cows] = COLUMNS.map(name => cellsOf(month, name)) as [Cell[], Cell[], Cell[], Cell[]];
  const rows = huts.map((hut, row) => [hut, new Date(`${String(weeks[row])}T00:00:00Z`), milk[row], cows[row]]);
  const sheet = utils.aoa_to_sheet([[title], [], ['hut', 'week', 'of the week', null], [null, null, 'milk', 'cows'], ...rows], {
    UTC: true,
  });
  sheet['!merges'] = [{ s: { r: 2, c: 2 }, e: { r: 2, c: 3 } }];
  return sheet;
}

/** Two months of deliveries as files, and as the sheets of one workbook. */
export function monthFiles(deliveries: Table): DemoFile[] {
  const [june, july] = [monthOf(deliveries, '2031-06'), monthOf(deliveries, '2031-07')];
  const book = utils.book_new();
  utils.book_append_sheet(book, sheetOf(june, 'Highmeadow Dairy Union, June 2031'), 'June');
  utils.book_append_sheet(book, sheetOf(july, 'Highmeadow Dairy Union, July 2031'), 'July');
  return [
    { name: 'deliveries-june.csv', data: asSent(june) },
    { name: 'deliveries-july.csv', data: asSentNext(july) },
    { name: 'deliveries-months.xlsx', data: new Uint8Array(write(book, { type: 'array', bookType: 'xlsx' }) as ArrayBuffer) },
  ];
}
