import { compileFormula, Evaluator, scopeOf } from 'core/formula';
import { findMends, placeIn } from 'core/mend';
import { success, type Result } from 'core/result';
import { isMissing, isNumeric, statsOf, textAt, type Column, type ColumnStats, type Table } from 'core/table';
import type { Session } from './session';
import type { ColumnLook, MendFindings, TableAsk, TableLook } from './table-seen';

// Rows and columns that are shown at once.
const SHOWN_ROWS = 200;
const SHOWN_COLUMNS = 100;
const BINS = 12;

/** A table of the project, or one that is being made, at a glance. Problems: those of its making. Cost: a pass over its columns, one over its cells where words are looked for. */
export function tableLook(session: Session, { table: id, making, find, where, only }: TableAsk): Result<TableLook> {
  const made = making ? session.make(making, id) : session.madeTable(id);
  if (made && !made.ok) return made;
  const own = making ? undefined : session.tableOf(id)?.table;
  const bare = own ? success(own) : made ? success(made.value.table) : session.bareTable(id);
  if (!bare.ok) return bare;
  const table = bare.value;
  const origin = making ? null : session.originOf(id);
  const mended = making ? undefined : session.mendedTable(id);
  const kept = where === null ? success(null) : rowsWhere(table, where);
  if (!kept.ok) return kept;
  const rows = rowsWith(table, find.trim().toLowerCase(), wanted(kept.value, only && placesOf(only, origin)));
  const shown = table.columns.slice(0, SHOWN_COLUMNS);
  return success({
    table: id,
    rowCount: table.rowCount,
    columns: table.columns.map(column => columnLook(column)),
    notes: made?.ok ? made.value.notes : [],
    sql: made ? session.sqlOf(making, id) : null,
    mended: mended?.ok ? mended.value.outcomes : [],
    found: rows.length,
    rows: Array.from(rows.subarray(0, SHOWN_ROWS), row => ({
      row: origin ? (origin[row] as number) : row,
      cells: shown.map(column => (isMissing(column, row) ? null : textAt(column, row))),
    })),
  });
}

/** What looks wrong in a table as it is mended and edited, its rows by their places in the source. Problems: those of its source. */
export function mendFindings(session: Session, id: string): Result<MendFindings> {
  const bare = session.mendedTable(id);
  if (!bare.ok) return bare;
  const { origin } = bare.value;
  const found = findMends(session.editedTable(id) ?? bare.value.table);
  return success(origin ? found.map(one => ({ ...one, rows: one.rows.map(row => origin[row] as number) })) : found);
}

type Test = (row: number) => boolean;

const placesOf = (rows: readonly number[], origin: Int32Array | null): Set<number> =>
  new Set(origin ? rows.map(row => placeIn(origin, row)) : rows);

const wanted =
  (kept: Test | null, only: ReadonlySet<number> | null): Test =>
  row =>
    (kept?.(row) ?? true) && (only?.has(row) ?? true);

/** Rows in which a formula is true. Problems: those of the formula. */
function rowsWhere(table: Table, where: string): Result<Test> {
  const typed = compileFormula(where, scopeOf(table), 'filter');
  if (!typed.ok) return typed;
  const { data } = new Evaluator(table).values(typed.value);
  return success(row => data[row] === 1);
}

/** Rows that are wanted and hold the words in one of their cells. Texts are looked at once per dictionary. */
function rowsWith(table: Table, words: string, isWanted: Test): Int32Array {
  const tests = words === '' ? [() => true] : table.columns.map(column => holds(column, words));
  const rows = new Int32Array(table.rowCount);
  let size = 0;
  for (let row = 0; row < table.rowCount; row++) if (isWanted(row) && tests.some(test => test(row))) rows[size++] = row;
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
