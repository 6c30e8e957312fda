import { success, type Result } from 'core/result';
import { isMissing, isNumeric, statsOf, textAt, type Column, type ColumnStats, type Table } from 'core/table';
import type { Session } from './session';
import type { ColumnLook, TableAsk, TableLook } from './table-seen';

// Rows and columns that are shown at once.
const SHOWN_ROWS = 200;
const SHOWN_COLUMNS = 100;
const BINS = 12;

/** A table of the project, or one that is being made, at a glance. Problems: those of its making. Cost: a pass over its columns, one over its cells where words are looked for. */
export function tableLook(session: Session, { table: id, making, find }: TableAsk): Result<TableLook> {
  const made = making ? session.make(making, id) : session.madeTable(id);
  if (made && !made.ok) return made;
  const own = making ? undefined : session.tableOf(id)?.table;
  const bare = own ? success(own) : made ? success(made.value.table) : session.bareTable(id);
  if (!bare.ok) return bare;
  const table = bare.value;
  const rows = rowsWith(table, find.trim().toLowerCase());
  const shown = table.columns.slice(0, SHOWN_COLUMNS);
  return success({
    rowCount: table.rowCount,
    columns: table.columns.map(column => columnLook(column)),
    notes: made?.ok ? made.value.notes : [],
    sql: made ? session.sqlOf(making, id) : null,
    found: rows.length,
    rows: Array.from(rows.subarray(0, SHOWN_ROWS), row => ({
      row,
      cells: shown.map(column => (isMissing(column, row) ? null : textAt(column, row))),
    })),
  });
}

/** Rows that hold the words in one of their cells. Texts are looked at once per dictionary. */
function rowsWith(table: Table, words: string): Int32Array {
  if (words === '') return Int32Array.from({ length: table.rowCount }, (_, row) => row);
  const tests = table.columns.map(column => holds(column, words));
  const rows = new Int32Array(table.rowCount);
  let size = 0;
  for (let row = 0; row < table.rowCount; row++) if (tests.some(test => test(row))) rows[size++] = row;
  return rows.subarray(0, size);
}

function holds(column: Column, words: string): (row: number) => boolean {
  if (column.type === 'text') {
    const known = column.dictionary.map(text => text.toLowerCase().includes(words));
    return row => known[column.data[row] as number] ?? false;
  }
  return row => !isMissing(column, row) && textAt(column, row).toLowerCase().includes(words);
}

function columnLook(column: Column): ColumnLook {
  const { name, type } = column;
  const stats = statsOf(column);
  const counts = isNumeric(column) ? numberBins(column.data, stats) : mostFrequent(column.data);
  const fullest = Math.max(1, ...counts);
  return { name, type, stats, bins: counts.map(count => count / fullest) };
}

/** How many values lie in each of equally wide bins from the smallest to the largest. */
function numberBins(data: Float64Array, { low, high }: ColumnStats): number[] {
  const counts = new Array<number>(BINS).fill(0);
  const scale = high > low ? BINS / (high - low) : 0;
  for (const value of data) {
    if (value !== value) continue;
    const bin = Math.min(BINS - 1, Math.floor((value - low) * scale));
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  return counts;
}

/** How many rows have each of the most frequent values, the most frequent first. */
function mostFrequent(data: Int32Array | Uint8Array): number[] {
  const counts = new Map<number, number>();
  for (const code of data) if (code >= 0) counts.set(code, (counts.get(code) ?? 0) + 1);
  return [...counts.values()].sort((a, b) => b - a).slice(0, BINS);
}
