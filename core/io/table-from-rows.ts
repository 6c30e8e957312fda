import { makeTable, named, valuesFrom, type Cell, type Column } from 'core/table';
import { planColumn, type ColumnPlan } from './column-plan';
import { ColumnReader } from './column-reader';
import { HeaderNames } from './header';
import type { ImportedTable } from './read-csv';
import { columnNotes } from './reading-notes';

// Between cells that come one by one there is no sign that a number could hold.
const NO_DELIMITER = '\t';
// Rows looked at before a type is chosen; the rest may put it right.
const SAMPLE_ROWS = 2_000;

/**
 * A table from rows that a format's reader has cut already, of values as well as texts: a column of numbers or of yes and no alone is taken as it is,
 * any other is read from its texts as a file of text would be. Short rows are missing at their end. Cost: one pass, a second one over a column whose
 * first rows misled.
 */
export function tableFromRows(name: string, names: readonly string[], rows: readonly (readonly Cell[])[]): ImportedTable {
  const width = rows.reduce((widest, row) => Math.max(widest, row.length), names.length);
  const header = new HeaderNames();
  const read = Array.from({ length: width }, (_, at) => columnOf(header.add(names[at]), rows, at));
  const readers = read.flatMap(({ reader }) => (reader ? [reader] : []));
  const units = readers.flatMap(({ name, plan }) => (plan.unit === undefined ? [] : [[name, plan.unit] as const]));
  return {
    table: makeTable(
      name,
      read.map(({ column }) => column),
    ),
    notes: [...header.notes, ...columnNotes(readers, row => row + 1)],
    units: Object.fromEntries(units),
    readings: {},
  };
}

interface Read {
  readonly column: Column;
  /** What read its texts; values that were none need no reading. */
  readonly reader?: ColumnReader;
}

function columnOf(name: string, rows: readonly (readonly Cell[])[], at: number): Read {
  const kinds = new Set(rows.flatMap(row => (row[at] === null || row[at] === undefined ? [] : [typeof row[at]])));
  const plain = kinds.size === 1 ? [...kinds][0] : undefined;
  if (plain === 'number' || plain === 'boolean')
    return {
      column: named(
        name,
        valuesFrom(
          plain,
          rows.map(row => finite(row[at])),
        ),
      ),
    };
  const texts = rows.map(row => (row[at] === null || row[at] === undefined ? '' : String(row[at])));
  const reader = readAs(name, texts, planColumn(texts.slice(0, SAMPLE_ROWS), NO_DELIMITER));
  const better = reader.betterPlan();
  const last = better ? readAs(name, texts, better) : reader;
  return { column: last.column(), reader: last };
}

function readAs(name: string, texts: readonly string[], plan: ColumnPlan): ColumnReader {
  const reader = new ColumnReader(name, plan, texts.length);
  for (const text of texts) reader.push(text);
  return reader;
}

/** No infinity reaches a column. */
const finite = (cell: Cell | undefined): Cell => (typeof cell === 'number' && !Number.isFinite(cell) ? null : (cell ?? null));
