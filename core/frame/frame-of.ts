import { groupRows, type Groups } from 'core/formula';
import { failure, success, type Result } from 'core/result';
import { columnOf, makeTable, takeColumn, takeRows, withColumns, type Column, type Table } from 'core/table';
import { carriedColumns } from './carried';
import { filledSteps } from './fill-steps';
import { filterRows } from './filter-rows';
import { helperColumns } from './helpers';
import { measureColumns, withWhatIfs, type Computed } from './measures';
import { orderOf } from './order';
import type { FigureData } from './schema';
import { steppedColumn } from './steps';

/** The rows that a figure shows, after filters, grouping and sorting: what cues look at. */
export interface Frame {
  /** Category, panel, series, carried columns, measures, helper columns by hand, in this order; a row per group. */
  readonly table: Table;
  readonly category: string;
  readonly panel: string | null;
  readonly series: string | null;
  readonly carried: readonly string[];
  readonly measures: readonly string[];
  readonly helpers: readonly string[];
  /** Per measure that has any, 1 where a what-if value stands. */
  readonly whatIfs: Readonly<Record<string, Uint8Array | undefined>>;
  /** Rows without a value though everything they are computed from is there, by measure and helper column. */
  readonly withoutValue: Readonly<Record<string, number>>;
  /** Rows of the source table behind frame row r: `rows[offsets[r]]` up to `rows[offsets[r + 1]]`. */
  readonly offsets: Int32Array;
  readonly rows: Int32Array;
}

/**
 * The frame of a figure's data part over its table, edits already laid over it.
 *
 * Problems: an unknown column, a name taken twice, a formula that does not compile. Cost: O(rows) plus the sort of the groups.
 */
export function frameOf(table: Table, data: FigureData): Result<Frame> {
  const keys = keyNames(data);
  const unknown = keys.find(name => !columnOf(table, name));
  if (unknown !== undefined) return failure({ code: 'figure-no-column', name: unknown, known: table.columns.map(column => column.name) });
  const names = [...keys, ...data.measures.map(measure => measure.name), ...data.helpers.map(helper => helper.name)];
  const taken = names.find((name, i) => names.indexOf(name) !== i);
  if (taken !== undefined) return failure({ code: 'figure-name-taken', name: taken });
  const kept = filterRows(table, data.filters);
  if (!kept.ok) return kept;
  const rows = kept.value ? takeRows(table, kept.value) : table;
  const keyColumns = keys.map((name, i) =>
    i === 0 ? steppedColumn(columnOf(rows, name) as Column, data.step) : (columnOf(rows, name) as Column),
  );
  const groups = groupRows(keyColumns, rows.rowCount);
  const measured = measureColumns(rows, groups, data.measures);
  if (!measured.ok) return measured;
  return assemble({ data, rows, keyColumns, groups, measured: measured.value, kept: kept.value });
}

/** Category, panel and series, each once. */
const keyNames = ({ category, panel, series }: FigureData): string[] => [
  ...new Set([category, panel, series].filter((name): name is string => name !== null)),
];

interface Parts {
  readonly data: FigureData;
  readonly rows: Table;
  readonly keyColumns: readonly Column[];
  readonly groups: Groups & { readonly firstRows: Int32Array };
  readonly measured: Computed;
  readonly kept: Int32Array | null;
}

function assemble({ data, rows, keyColumns, groups, measured, kept }: Parts): Result<Frame> {
  const keys = keyColumns.map(column => takeColumn(column, groups.firstRows));
  const whatIfs = data.whatIfs.filter(whatIf => whatIf.by === data.category && whatIf.split.length === keys.length - 1);
  const filled = measured.columns.map(column => withWhatIfs(column, keys, whatIfs));
  const carried = carriedColumns(
    rows,
    groups,
    [...keys, ...measured.columns].map(column => column.name).concat(data.helpers.map(helper => helper.name)),
  );
  const grouped = makeTable(rows.name, [...keys, ...carried, ...filled.map(item => item.column)]);
  const stepped = filledSteps(grouped, keys.length, data.step, keyColumns[0] as Column);
  const helped = helperColumns(stepped, data.helpers);
  if (!helped.ok) return helped;
  const wide = withColumns(stepped, helped.value.columns);
  const order = orderOf(wide, data);
  const inOrder = (marked: Uint8Array): Uint8Array => (order ? Uint8Array.from(order, row => marked[row] ?? 0) : marked);
  return success({
    table: order === null ? wide : takeRows(wide, order),
    category: data.category,
    panel: data.panel,
    series: data.series,
    carried: carried.map(column => column.name),
    measures: measured.columns.map(column => column.name),
    helpers: data.helpers.map(helper => helper.name),
    whatIfs: Object.fromEntries(filled.flatMap(({ column, marked }) => (marked ? [[column.name, inOrder(marked)]] : []))),
    withoutValue: { ...measured.withoutValue, ...helped.value.withoutValue },
    ...sourceRows(groups, order, kept, stepped.rowCount),
  });
}

/** Rows of the source table, laid out group after group in frame order (counting sort). Filled-in steps have none. */
function sourceRows(
  { ids, count, rows }: Groups,
  order: Int32Array | null,
  kept: Int32Array | null,
  frameRows: number,
): { offsets: Int32Array; rows: Int32Array } {
  // One source row per group: groups are numbered by first appearance, so they are the rows.
  if (count === rows && frameRows === rows) return { offsets: upTo(count + 1), rows: throughKept(order ?? upTo(rows), kept) };
  const place = new Int32Array(frameRows);
  for (let at = 0; at < frameRows; at++) place[order ? (order[at] as number) : at] = at;
  const offsets = new Int32Array(frameRows + 1);
  for (let row = 0; row < rows; row++) offsets[(place[ids ? (ids[row] as number) : 0] as number) + 1]!++;
  for (let at = 0; at < frameRows; at++) offsets[at + 1]! += offsets[at] as number;
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
