import type { Values } from 'core/table';
import { groupRows } from './groups';
import type { SortedRows } from './functions';
import { dictionaryRanks } from './text-order';

/** One sort key: its values, its direction, and where missing values go. */
export interface SortKey {
  readonly values: Values;
  readonly descending?: boolean;
  /** By default missing values come last, whichever the direction. */
  readonly nullsFirst?: boolean;
}

/** Row numbers in order of the keys; equal rows keep their order. Cost: O(n log n). */
export function sortRows(keys: readonly SortKey[], rows: number): Int32Array {
  const columns = keys.map(comparableColumn);
  const order = identity(rows);
  if (columns.length === 0) return order;
  return order.sort((a, b) => compareRows(columns, a, b) || a - b);
}

function identity(rows: number): Int32Array {
  const order = new Int32Array(rows);
  for (let row = 0; row < rows; row++) order[row] = row;
  return order;
}

/** Sorts within partitions and marks where partitions and runs of equal rows start. */
export function sortWindow(partition: readonly Values[], keys: readonly SortKey[], rows: number): SortedRows {
  const { ids } = groupRows(partition, rows);
  const columns = keys.map(comparableColumn);
  const group = (row: number): number => (ids ? (ids[row] as number) : 0);
  const order = identity(rows);
  order.sort((a, b) => group(a) - group(b) || compareRows(columns, a, b) || a - b);
  const starts = new Uint8Array(rows);
  const changes = new Uint8Array(rows);
  for (let i = 0; i < rows; i++) {
    const [row, before] = [order[i] as number, order[i - 1] as number];
    starts[i] = i === 0 || group(row) !== group(before) ? 1 : 0;
    changes[i] = starts[i] || compareRows(columns, row, before) !== 0 ? 1 : 0;
  }
  return { rows: order, starts, changes };
}

/** Numbers that sort ascending as the key demands, missing as ±Infinity; no column ever holds an infinity. */
function comparableColumn({ values, descending = false, nullsFirst = false }: SortKey): Float64Array {
  const missing = nullsFirst ? -Infinity : Infinity;
  const sign = descending ? -1 : 1;
  if (values.type === 'text') {
    const ranks = dictionaryRanks(values.dictionary);
    return Float64Array.from(values.data, code => (code < 0 ? missing : (ranks[code] as number) * sign));
  }
  const gone = values.type === 'boolean' ? (value: number) => value > 1 : Number.isNaN;
  return Float64Array.from(values.data as ArrayLike<number>, value => (gone(value) ? missing : value * sign));
}

function compareRows(columns: readonly Float64Array[], a: number, b: number): number {
  for (const column of columns) {
    const [x, y] = [column[a] as number, column[b] as number];
    if (x < y) return -1;
    if (x > y) return 1;
  }
  return 0;
}
