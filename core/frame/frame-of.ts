import { groupRows, type Groups } from 'core/formula';
import { failure, success, type CueProblem, type Result } from 'core/result';
import { runAll, type Stages } from 'core/stages';
import {
  columnOf,
  makeTable,
  takeColumn,
  takeRows,
  takeRowsWhenRead,
  withColumns,
  type Column,
  type NumericValues,
  type Table,
} from 'core/table';
import { carriedColumns } from './carried';
import { filledSteps } from './fill-steps';
import { filterRows } from './filter-rows';
import { helperColumns } from './helpers';
import { emptyValues, measureColumns, withWhatIfs, type Computed } from './measures';
import { overallColumns, type Overall } from './overall';
import { orderOf } from './order';
import type { FigureData, Step } from './schema';
import { laidOutWhenAsked, type SourceRows } from './source-rows';
import { steppedColumn } from './steps';

/** The rows that a figure shows, after filters, grouping and sorting: what cues look at. */
export interface Frame {
  /** Category, panel, series, outer columns, carried columns, measures, measures over all rows, helper columns by hand, in this order; a row per group. */
  readonly table: Table;
  readonly category: string;
  readonly panel: string | null;
  readonly series: string | null;
  /** The columns that the category is nested in, outermost first; only a crosstab has any. */
  readonly outer: readonly string[];
  readonly carried: readonly string[];
  readonly measures: readonly string[];
  readonly helpers: readonly string[];
  /** Helper columns by hand that cannot be computed here, each with the reason; they are left out. */
  readonly resting: readonly { readonly name: string; readonly problem: CueProblem }[];
  /** Measures over all rows behind the frame, as cues asked for them. */
  readonly overall: readonly string[];
  /** Rows that stand for periods without rows of the table. */
  readonly emptyRows: number;
  /** Per measure that has any, 1 where a what-if value stands. */
  readonly whatIfs: Readonly<Record<string, Uint8Array | undefined>>;
  /** Rows without a value though everything they are computed from is there, by measure and helper column. */
  readonly withoutValue: Readonly<Record<string, number>>;
  readonly source: SourceRows;
}

/**
 * The frame of a figure's data part over its table, edits already laid over it.
 *
 * Problems: an unknown column, a name taken twice, a formula that does not compile. Cost: O(rows) plus the sort of the groups; of the stages
 * filtered, grouped, measured and framed, only those whose inputs changed.
 */
export function frameOf(table: Table, data: FigureData, asked: readonly Overall[] = [], stages: Stages = runAll): Result<Frame> {
  const keys = keyNames(data);
  const unknown = keys.find(name => !columnOf(table, name));
  if (unknown !== undefined) return failure({ code: 'figure-no-column', name: unknown, known: table.columns.map(column => column.name) });
  const names = [...keys, ...data.measures.map(measure => measure.name)];
  const taken = names.find((name, i) => names.indexOf(name) !== i);
  if (taken !== undefined) return failure({ code: 'figure-name-taken', name: taken });
  const { filters, measures } = data;
  const steps = stepsOf(data);
  const filtered = stages('filtered', [table, filters], () => filteredRows(table, filters));
  if (!filtered.ok) return filtered;
  const { rows } = filtered.value;
  const columns = keys.map(name => columnOf(rows, name) as Column);
  // An edit of a measure leaves the columns that are grouped by as they are.
  const grouped = stages('grouped', [rows.rowCount, JSON.stringify([...steps]), ...columns], () =>
    groupedRows(columns, rows.rowCount, steps),
  );
  const measured = stages('measured', [filtered, grouped, measures], () => measureColumns(rows, grouped.groups, measures));
  if (!measured.ok) return measured;
  const parts = { data, ...filtered.value, ...grouped, measured: measured.value, asked };
  return stages('framed', [measured, data, JSON.stringify(asked)], () => assemble(parts, stages));
}

interface FilteredRows {
  readonly rows: Table;
  /** Rows of the table that are left; null where all are. */
  readonly kept: Int32Array | null;
}

function filteredRows(table: Table, filters: FigureData['filters']): Result<FilteredRows> {
  const kept = filterRows(table, filters);
  if (!kept.ok) return kept;
  return success({ rows: kept.value ? takeRowsWhenRead(table, kept.value) : table, kept: kept.value });
}

type Grouped = Pick<Parts, 'keyColumns' | 'groups' | 'keys'>;

function groupedRows(columns: readonly Column[], rowCount: number, steps: ReadonlyMap<string, Step>): Grouped {
  const keyColumns = columns.map(column => steppedColumn(column, steps.get(column.name) ?? null));
  const groups = groupRows(keyColumns, rowCount);
  return { keyColumns, groups, keys: keyColumns.map(column => takeColumn(column, groups.firstRows)) };
}

/** Category, panel, series and outer columns, each once. */
const keyNames = ({ category, panel, series, outer }: FigureData): string[] => [
  ...new Set([category, panel, series, ...outer.map(({ column }) => column)].filter((name): name is string => name !== null)),
];

/** The step of each key column; the category's own step takes precedence. */
const stepsOf = ({ category, step, series, seriesStep, outer }: FigureData): ReadonlyMap<string, Step> =>
  new Map([
    ...outer.map(({ column, step: own }) => [column, own] as const),
    ...(series === null ? [] : [[series, seriesStep] as const]),
    [category, step],
  ]);

interface Parts {
  readonly data: FigureData;
  readonly rows: Table;
  readonly keyColumns: readonly Column[];
  readonly groups: Groups & { readonly firstRows: Int32Array };
  /** The key columns, a row per group. */
  readonly keys: readonly Column[];
  readonly measured: Computed;
  readonly kept: Int32Array | null;
  readonly asked: readonly Overall[];
}

function assemble({ data, rows, keyColumns, groups, keys, measured, kept, asked }: Parts, stages: Stages): Result<Frame> {
  const whatIfs = data.whatIfs.filter(whatIf => whatIf.by === data.category && whatIf.split.length === keys.length - 1);
  const filled = measured.columns.map(column => withWhatIfs(column, keys, whatIfs));
  const carried = carriedColumns(
    rows,
    groups,
    [...keys, ...measured.columns].map(column => column.name).concat(data.helpers.map(helper => helper.name)),
    stages,
  );
  const grouped = makeTable(rows.name, [...keys, ...carried, ...filled.map(item => item.column)]);
  const empty = data.step === null ? {} : emptyValues(rows, data.measures, data.empty);
  const stepped =
    data.empty === 'left-out' ? grouped : filledSteps(grouped, keys.length, data.step, columnOf(rows, data.category) as Column, empty);
  const behind = { frame: stepped, rows, keys: keyColumns, measures: data.measures };
  const names = new Set(stepped.columns.map(({ name }) => name));
  const overall = overallColumns(behind, asked).filter(({ name }) => !names.has(name));
  const helped = helperColumns(withColumns(stepped, overall), data.helpers);
  const wide = withColumns(stepped, [...overall, ...helped.columns]);
  const order = orderOf(
    wide,
    data,
    measure => overallColumns(behind, [{ measure, within: [data.category] }])[0] as NumericValues | undefined,
  );
  const inOrder = (marked: Uint8Array): Uint8Array => (order ? Uint8Array.from(order, row => marked[row] ?? 0) : marked);
  return success({
    table: order === null ? wide : takeRows(wide, order),
    category: data.category,
    panel: data.panel,
    series: data.series,
    outer: data.outer.map(({ column }) => column),
    carried: carried.map(column => column.name),
    measures: measured.columns.map(column => column.name),
    helpers: helped.columns.map(column => column.name),
    resting: helped.resting,
    overall: overall.map(column => column.name),
    emptyRows: stepped.rowCount - grouped.rowCount,
    whatIfs: Object.fromEntries(filled.flatMap(({ column, marked }) => (marked ? [[column.name, inOrder(marked)]] : []))),
    withoutValue: { ...measured.withoutValue, ...helped.withoutValue },
    source: laidOutWhenAsked(groups, { order, kept, frameRows: stepped.rowCount }, stages),
  });
}
