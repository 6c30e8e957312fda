import { groupRows, sortRows, type Groups, type SortKey } from 'core/formula';
import { failure, success, type Result } from 'core/result';
import { columnOf, makeTable, takeColumn, takeRows, type Column, type Table } from 'core/table';
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
  /** Per measure that has any, 1 where a what-if value stands. */
  readonly whatIfs: Readonly<Record<string, Uint8Array | undefined>>;
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
  const whatIfsHere = data.whatIfs.filter(whatIf => whatIf.by === data.category);
  const filled = measured.map(column => withWhatIfs(column, category, whatIfsHere));
  const carried = carriedColumns(rows, groups, [category.name, ...measured.map(column => column.name)]);
  const unsorted = makeTable(rows.name, [category, ...carried, ...filled.map(item => item.column)]);
  const order = orderOf(unsorted, data);
  const whatIfs = Object.fromEntries(
    filled.flatMap(({ column, marked }) =>
      marked ? [[column.name, order ? Uint8Array.from(order, row => marked[row] as number) : marked]] : [],
    ),
  );
  return {
    table: order === null ? unsorted : takeRows(unsorted, order),
    category: category.name,
    carried: carried.map(column => column.name),
    measures: measured.map(column => column.name),
    whatIfs,
    ...sourceRows(groups, order, kept),
  };
}

/** Rows of the unsorted frame in the figure's order; null when they stay as they come. */
function orderOf(table: Table, { order, category }: FigureData): Int32Array | null {
  const keys = sortKeys(table, order, category);
  return keys.length ? sortRows(keys, table.rowCount) : null;
}

function sortKeys(table: Table, order: Order, category: string): SortKey[] {
  if (order.by === 'table') return [];
  const values = columnOf(table, order.by === 'measure' ? order.measure : category);
  return values ? [{ values, descending: order.descending }] : [];
}

/** Rows of the source table, laid out group after group in frame order (counting sort). */
function sourceRows(
  { ids, count, rows }: Groups,
  order: Int32Array | null,
  kept: Int32Array | null,
): { offsets: Int32Array; rows: Int32Array } {
  // One source row per group: groups are numbered by first appearance, so they are the rows.
  if (count === rows) return { offsets: upTo(count + 1), rows: throughKept(order ?? upTo(rows), kept) };
  const place = new Int32Array(count);
  for (let at = 0; at < count; at++) place[order ? (order[at] as number) : at] = at;
  const offsets = new Int32Array(count + 1);
  for (let row = 0; row < rows; row++) offsets[(place[ids ? (ids[row] as number) : 0] as number) + 1]!++;
  for (let at = 0; at < count; at++) offsets[at + 1]! += offsets[at] as number;
  const next = offsets.slice();
  const laid = new Int32Array(rows);
  for (let row = 0; row < rows; row++) laid[next[place[ids ? (ids[row] as number) : 0] as number]!++] = kept ? (kept[row] as number) : row;
  return { offsets, rows: laid };
}

function upTo(count: number): Int32Array {
  const out = new Int32Array(count);
  for (let at = 0; at < count; at++) out[at] = at;
  return out;
}

/** Rows among the kept ones as rows of the source. */
const throughKept = (rows: Int32Array, kept: Int32Array | null): Int32Array => (kept ? rows.map(row => kept[row] as number) : rows);
