import { MISSING_BOOLEAN, MISSING_TEXT, type Values } from 'core/table';
import type { Groups } from './functions';

/**
 * Rows sorted into groups of equal keys, numbered by first appearance; missing is a key like any other.
 *
 * @param keys columns of `rows` entries; none at all gives a single group
 * Cost: O(rows × keys).
 */
export function groupRows(keys: readonly Values[], rows: number): Groups & { readonly firstRows: Int32Array } {
  const [first, ...rest] = keys.map(key => codesOf(key));
  if (!first) return { ids: null, count: 1, rows, firstRows: new Int32Array(1) };
  return numbered(rest.reduce(paired, first), rows);
}

/** Whole-number codes from `-first` up, fewer than `size` of them; `first` makes them start at 0. */
interface Codes {
  readonly data: Int32Array | Uint8Array;
  readonly first: 0 | 1;
  readonly size: number;
}

function codesOf(values: Values): Codes {
  if (values.type === 'text') return { data: values.data, first: -MISSING_TEXT as 1, size: values.dictionary.length + 1 };
  if (values.type === 'boolean') return { data: values.data, first: 0, size: MISSING_BOOLEAN + 1 };
  return numericCodes(values.data);
}

function numericCodes(data: Float64Array): Codes {
  const known = new Map<number, number>();
  const out = new Int32Array(data.length);
  for (let row = 0; row < data.length; row++) {
    // Adding zero makes −0 and 0 one key; Map treats NaN as equal to itself.
    const value = (data[row] as number) + 0;
    let code = known.get(value);
    if (code === undefined) known.set(value, (code = known.size));
    out[row] = code;
  }
  return { data: out, first: 0, size: known.size };
}

// Up to this many pairs, a code of its own for each possible pair beats looking them up.
const DENSE_PAIRS = 1 << 22;

function paired(left: Codes, right: Codes): Codes {
  const data = new Int32Array(left.data.length);
  const [a, b, size] = [left.data, right.data, right.size];
  const first = left.first * size + right.first;
  if (left.size * size <= DENSE_PAIRS) {
    for (let row = 0; row < data.length; row++) data[row] = (a[row] as number) * size + (b[row] as number) + first;
    return { data, first: 0, size: left.size * size };
  }
  const known = new Map<number, number>();
  for (let row = 0; row < data.length; row++) {
    const pair = (a[row] as number) * size + (b[row] as number) + first;
    let code = known.get(pair);
    if (code === undefined) known.set(pair, (code = known.size));
    data[row] = code;
  }
  return { data, first: 0, size: known.size };
}

function numbered({ data, first, size }: Codes, rows: number): Groups & { readonly firstRows: Int32Array } {
  const groupOf = new Int32Array(size).fill(-1);
  const ids = new Int32Array(rows);
  const firstRows: number[] = [];
  for (let row = 0; row < rows; row++) {
    const code = (data[row] as number) + first;
    if (groupOf[code] === -1) groupOf[code] = firstRows.push(row) - 1;
    ids[row] = groupOf[code] as number;
  }
  return { ids, count: firstRows.length, rows, firstRows: Int32Array.from(firstRows) };
}
