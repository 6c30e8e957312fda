import { sortRows } from 'core/formula';
import { cellAt, rowsWithValue, tableOf, type Cell, type Column, type Table } from 'core/table';

/** One row per column: type, missing, different values, smallest, largest. */
export function describeTable(table: Table): Table {
  const facts = table.columns.map(column => factsOf(column, table.rowCount));
  const list = <K extends keyof Facts>(key: K): Facts[K][] => facts.map(fact => fact[key]);
  return tableOf(
    {
      column: list('column'),
      type: list('type'),
      rows: list('rows'),
      missing: list('missing'),
      distinct: list('distinct'),
      smallest: list('smallest'),
      largest: list('largest'),
    },
    'columns',
  );
}

interface Facts {
  readonly column: string;
  readonly type: string;
  readonly rows: number;
  readonly missing: number;
  readonly distinct: number;
  /** As text, because columns of every type stand below each other. */
  readonly smallest: Cell;
  readonly largest: Cell;
}

function factsOf(column: Column, rows: number): Facts {
  const there = rowsWithValue(column).length;
  const order = sortRows([{ values: column }], rows);
  const raws = new Set<number>();
  for (const row of rowsWithValue(column)) raws.add(column.data[row] as number);
  const at = (place: number): Cell => (there ? String(cellAt(column, order[place] as number)) : null);
  return {
    column: column.name,
    type: column.type,
    rows,
    missing: rows - there,
    distinct: raws.size,
    smallest: at(0),
    largest: at(there - 1),
  };
}
