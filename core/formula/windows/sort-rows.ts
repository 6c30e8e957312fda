import type { Values } from 'core/table';
import type { SortedRows } from '../functions';
import { radixSort } from './radix-sort';
import { dictionaryRanks } from '../evaluate/text-order';

/** One sort key: its values, its direction, and where missing values go. */
export interface SortKey {
  readonly values: Values;
  readonly descending?: boolean;
  /** By default missing values come last, whichever the direction. */
  readonly nullsFirst?: boolean;
}

/** Row numbers in order of the keys; equal rows keep their order. Cost: O(n log n), O(n) for long columns. */
export function sortRows(keys: readonly SortKey[], rows: number): Int32Array {
  return sortColumns(keys.map(comparableColumn), rows);
}

// Below this, comparing beats counting.
const RADIX_FROM = 3_000;

function sortColumns(columns: readonly Float64Array[], rows: number, before?: Int32Array): Int32Array {
  if (columns.length === 0) return identity(rows);
  const compare = comparing(columns);
  const near = before?.length === rows ? sortedFrom(before, compare) : null;
  if (near) return near;
  return rows >= RADIX_FROM ? radixSort(columns, identity(rows)) : identity(rows).sort(compare);
}

type CompareRows = (a: number, b: number) => number;

function comparing(columns: readonly Float64Array[]): CompareRows {
  const [first, second] = columns;
  // One key is the common case. Two missing values differ by NaN, which counts as equal.
  if (first && !second) return (a, b) => (first[a] as number) - (first[b] as number) || a - b;
  return (a, b) => compareRows(columns, a, b) || a - b;
}

// Moves per row that an order may need before sorting anew is quicker.
const MOST_MOVES = 2;

/**
 * An order that was nearly right put right by insertion; null where it was too far off. Rows are told apart in the end by their numbers, so the order that
 * comes is the only one, wherever it began. Cost: O(rows), and a step for each place that a row moves.
 */
function sortedFrom(before: Int32Array, compare: CompareRows): Int32Array | null {
  const order = before.slice();
  let moves = order.length * MOST_MOVES;
  for (let i = 1; i < order.length; i++) {
    const row = order[i] as number;
    let at = i;
    for (; at > 0 && compare(order[at - 1] as number, row) > 0; at--) {
      if (moves-- === 0) return null;
      order[at] = order[at - 1] as number;
    }
    order[at] = row;
  }
  return order;
}

function identity(rows: number): Int32Array {
  const order = new Int32Array(rows);
  for (let row = 0; row < rows; row++) order[row] = row;
  return order;
}

/**
 * Sorts within partitions and marks where partitions and runs of equal rows start. `ids` tells the partition of each row; `before` is an order of the rows
 * that may be near.
 */
export function sortWindow(
  ids: Int32Array | null,
  keys: readonly SortKey[],
  rows: number,
  before?: Int32Array,
): SortedRows & { readonly keys: readonly Float64Array[] } {
  const columns = keys.map(comparableColumn);
  const order = sortColumns(ids ? [Float64Array.from(ids), ...columns] : columns, rows, before);
  const starts = new Uint8Array(rows);
  const changes = new Uint8Array(rows);
  if (rows) starts[0] = changes[0] = 1;
  for (const column of columns) markChanges(column, order, changes);
  if (ids) markChanges(ids, order, starts);
  for (let at = 0; at < rows; at++) if (starts[at]) changes[at] = 1;
  return { rows: order, starts, changes, keys: columns };
}

function markChanges(column: Float64Array | Int32Array, order: Int32Array, marks: Uint8Array): void {
  let before = column[order[0] ?? 0] as number;
  for (let at = 1; at < order.length; at++) {
    const value = column[order[at] as number] as number;
    if (value !== before) marks[at] = 1;
    before = value;
  }
}

/** Numbers that sort ascending as the key demands, missing as ±Infinity; no column ever holds an infinity. */
export function comparableColumn({ values, descending = false, nullsFirst = false }: SortKey): Float64Array {
  const missing = nullsFirst ? -Infinity : Infinity;
  const sign = descending ? -1 : 1;
  const out = new Float64Array(values.data.length);
  const { data } = values;
  if (values.type === 'text') {
    const ranks = dictionaryRanks(values.dictionary);
    for (let row = 0; row < out.length; row++) {
      const code = data[row] as number;
      out[row] = code < 0 ? missing : (ranks[code] as number) * sign;
    }
    return out;
  }
  const marker = values.type === 'boolean' ? 2 : NaN;
  for (let row = 0; row < out.length; row++) {
    const value = data[row] as number;
    // Adding zero makes −0 and 0 equal to the radix sort, too.
    out[row] = value !== value || value === marker ? missing : value * sign + 0;
  }
  return out;
}

function compareRows(columns: readonly Float64Array[], a: number, b: number): number {
  for (const column of columns) {
    const [x, y] = [column[a] as number, column[b] as number];
    if (x < y) return -1;
    if (x > y) return 1;
  }
  return 0;
}
