import { readFile as readTable } from 'core/io/formats';
import { cellAt, type Cell, type Table } from 'core/table';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The season of the demo, as its feeds give it. */
export interface SeasonRows {
  readonly names: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
}

/** Rows of the demo season, read once from the built application. Throws where they are not there. */
export function seasonRows(root: string): () => Promise<SeasonRows> {
  let known: Promise<SeasonRows> | undefined;
  return () => (known ??= read(join(root, 'demo', 'deliveries.csv')));
}

async function read(path: string): Promise<SeasonRows> {
  const contents = await readTable(new Uint8Array(await readFile(path)), 'deliveries.csv');
  const table: Table | undefined = contents.ok && contents.value.kind === 'tables' ? contents.value.tables[0]?.table : undefined;
  if (!table) throw new Error(`${path} holds no table`);
  const { columns, rowCount } = table;
  return {
    names: columns.map(({ name }) => name),
    rows: Array.from({ length: rowCount }, (_, row) => columns.map(column => cellAt(column, row))),
  };
}

/** The rows up to a day, in the order of their weeks as a feed grows. */
export function rowsUntil({ names, rows }: SeasonRows, until: string | undefined): SeasonRows {
  const week = names.indexOf('week');
  if (until === undefined || week < 0) return { names, rows };
  return { names, rows: rows.filter(cells => String(cells[week]) <= until) };
}

/** Columns as a source may change them from one day to the next: one under another name, one gone, one new. */
export function withOtherColumns({ names, rows }: SeasonRows): SeasonRows {
  const gone = names.indexOf('butterfat');
  const kept = (_: unknown, at: number): boolean => at !== gone;
  return {
    names: [...names.filter(kept).map(name => (name === 'milk' ? 'litres' : name)), 'station'],
    rows: rows.map(cells => [...cells.filter(kept), 'north']),
  };
}
