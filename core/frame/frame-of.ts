import { groupRows, sortRows, type Groups, type SortKey } from 'core/formula';
import { failure, success, type Result } from 'core/result';
import { columnOf, isMissing, makeTable, takeColumn, takeRows, textAt, type Column, type Table } from 'core/table';
import { carriedColumns } from './carried';
import { filterRows } from './filter-rows';
import { measureColumns, withWhatIfs } from './measures';
import type { FigureData, Order } from './schema';

/** The rows that a figure shows, after filters, grouping and sorting: what cues look at. */
export interface Frame {
  /** Category, carried columns, measures, in this order; a row per group. */
  readonly table: Table;
  readonly category: string;
  readonly carried: readonly string[];
  readonly measures: readonly string[];
  /** Per measure, 1 where a what-if value stands. */
  readonly whatIfs: Readonly<Record<string, Uint8Array>>;
  /** Rows of the source table behind frame row r: `rows[offsets[r]]` up to `rows[offsets[r + 1]]`. */
  readonly offsets: Int32Array;
  readonly rows: Int32Array;
}

/**
 * The frame of a figure's data part over its table, edits already laid over it.
 *
 * Problems: an unknown category, a measure that does not compile. Cost: O(rows) plus the sort of the groups.
 */
export function frameOf(table: Table, data: FigureData): Result<Frame> {
  const category = columnOf(table, data.category);
  if (!category) return failure({ code: 'figure-no-column', name: data.category, known: table.columns.map(column => column.name) });
  const names = [data.category, ...data.measures.map(measure => measure.name)];
  const taken = names.find((name, i) => names.indexOf(name) !== i);
  if (taken !== undefined) return failure({ code: 'figure-name-taken', name: taken });
  const kept = filterRows(table, data.filters);
  const rows = kept ? takeRows(table, kept) : table;
  const keyed = columnOf(rows, data.category) as Column;
  const groups = groupRows([keyed], rows.rowCount);
  const measured = measureColumns(rows, groups, data.measures);
  if (!measured.ok) return measured;
  return success(assemble(data, rows, keyed, groups, measured.value, kept));
}

function assemble(
  data: FigureData,
  rows: Table,
  keyed: Column,
  groups: Groups & { readonly firstRows: Int32Array },
  measured: readonly Column[],
  kept: Int32Array | null,
): Frame {
  const category = takeColumn(keyed, groups.firstRows);
  const keys = Array.from({ length: groups.count }, (_, row) => keyOf(category, row));
  const whatIfsHere = data.whatIfs.filter(whatIf => whatIf.by === data.category);
  const filled = measured.map(column => withWhatIfs(column, keys, whatIfsHere));
  const carried = carriedColumns(rows, groups, [category.name, ...measured.map(column => column.name)]);
  const unsorted = makeTable(rows.name, [category, ...carried, ...filled.map(item => item.column)]);
  const order = orderOf(unsorted, data);
  const whatIfs = Object.fromEntries(
    filled.map(({ column, marked }) => [column.name, Uint8Array.from(order, row => marked[row] as number)]),
  );
  return {
    table: takeRows(unsorted, order),
    category: category.name,
    carried: carried.map(column => column.name),
    measures: measured.map(column => column.name),
    whatIfs,
    ...sourceRows(groups, order, kept),
  };
}

/** The text that names a frame row in edits and what-ifs; null for a missing category. */
export const keyOf = (category: Column, row: number): string | null => (isMissing(category, row) ? null : textAt(category, row));

function orderOf(table: Table, { order, category }: FigureData): Int32Array {
  return sortRows(sortKeys(table, order, category), table.rowCount);
}

function sortKeys(table: Table, order: Order, category: string): SortKey[] {
  if (order.by === 'table') return [];
  const values = columnOf(table, order.by === 'measure' ? order.measure : category);
  return values ? [{ values, descending: order.descending }] : [];
}

/** Rows of the source table, laid out group after group in frame order (counting sort). */
function sourceRows({ ids, count, rows }: Groups, order: Int32Array, kept: Int32Array | null): { offsets: Int32Array; rows: Int32Array } {
  const place = new Int32Array(count);
  order.forEach((group, at) => (place[group] = at));
  const offsets = new Int32Array(count + 1);
  for (let row = 0; row < rows; row++) offsets[(place[ids ? (ids[row] as number) : 0] as number) + 1]!++;
  for (let at = 0; at < count; at++) offsets[at + 1]! += offsets[at] as number;
  const next = offsets.slice();
  const laid = new Int32Array(rows);
  for (let row = 0; row < rows; row++) laid[next[place[ids ? (ids[row] as number) : 0] as number]!++] = kept ? (kept[row] as number) : row;
  return { offsets, rows: laid };
}
