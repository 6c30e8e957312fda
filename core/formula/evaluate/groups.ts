import { MISSING_BOOLEAN, MISSING_TEXT, type Values } from 'core/table';
import type { Groups } from '../functions';

/**
 * Rows sorted into groups of equal keys, numbered by first appearance; missing is a key like any other.
 *
 * @param keys columns of `rows` entries; none at all gives a single group
 * Cost: O(rows × keys).
 */
export function groupRows(keys: readonly Values[], rows: number): Groups & { readonly firstRows: Int32Array } {
  const [first, ...rest] = keys.map(key => codesOf(key));
  if (!first) return { ids: null, count: 1, rows, firstRows: new Int32Array(1) };
  const [second, ...more] = rest;
  const dense = denseGroups([first, ...rest], rows);
  if (dense) return dense;
  if (!second) return numbered(first, rows, new Int32Array(rows));
  // One piece of memory for all pairs, and then for the ids.
  const room = new Int32Array(rows);
  return numbered(
    more.reduce((left, right) => paired(left, right, room), paired(first, second, room)),
    rows,
    room,
  );
}

/** Integer codes from `-first` on, fewer than `size` of them; `first` shifts them to start at 0. */
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

// Keys by their places, so many at once.
const [A, B, C, D] = [0, 1, 2, 3] as const;

/** Groups by up to four keys in one pass, where every combination can have a code; else null. */
function denseGroups(codes: readonly Codes[], rows: number): (Groups & { readonly firstRows: Int32Array }) | null {
  const size = codes.reduce((product, code) => product * code.size, 1);
  const [head] = codes;
  if (!head || codes.length > D + 1 || size > DENSE_PAIRS) return null;
  // What a step of each key is worth.
  const factors = codes.map((_, i) => codes.slice(i + 1).reduce((product, code) => product * code.size, 1));
  const start = codes.reduce((sum, { first }, i) => sum + first * (factors[i] as number), 0);
  const data = (at: number): Codes['data'] => (codes[at] ?? head).data;
  const groupOf = new Int32Array(size).fill(-1);
  const ids = new Int32Array(rows);
  const firstRows = numberUp([data(A), data(B), data(C), data(D)], factors, start, groupOf, ids);
  return { ids, count: firstRows.length, rows, firstRows: Int32Array.from(firstRows) };
}

/**
 * Numbers groups by their codes, into `ids`; also the first row of each. A separate loop over integers, since it is the hot loop of every grouping.
 */
function numberUp(
  [a, b, c, d]: readonly [Codes['data'], Codes['data'], Codes['data'], Codes['data']],
  factors: readonly number[],
  start: number,
  groupOf: Int32Array,
  ids: Int32Array,
): number[] {
  // A key that is not there is worth nothing. Whole numbers, said to be such: sums of others cost more.
  const worth = (key: number): number => (factors[key] ?? 0) | 0;
  const [fa, fb, fc, fd, from] = [worth(A), worth(B), worth(C), worth(D), start | 0];
  const firstRows: number[] = [];
  const rows = ids.length;
  for (let row = 0; row < rows; row++) {
    const code =
      (Math.imul(a[row] as number, fa) +
        Math.imul(b[row] as number, fb) +
        Math.imul(c[row] as number, fc) +
        Math.imul(d[row] as number, fd) +
        from) |
      0;
    let group = groupOf[code] as number;
    if (group === -1) {
      group = firstRows.push(row) - 1;
      groupOf[code] = group;
    }
    ids[row] = group;
  }
  return firstRows;
}

/** Combines codes in pairs, into `data`, which may be the array of the left codes. */
function paired(left: Codes, right: Codes, data: Int32Array): Codes {
  const first = left.first * right.size + right.first;
  if (left.size * right.size <= DENSE_PAIRS) {
    pairUp(left.data, right.data, right.size, first, data);
    return { data, first: 0, size: left.size * right.size };
  }
  return lookedUp(left, right, first, data);
}

/** A code for each distinct pair. */
function pairUp(a: Codes['data'], b: Codes['data'], size: number, first: number, data: Int32Array): void {
  const count = data.length;
  for (let row = 0; row < count; row++) data[row] = Math.imul(a[row] as number, size) + (b[row] as number) + first;
}

function lookedUp(left: Codes, right: Codes, first: number, data: Int32Array): Codes {
  const known = new Map<number, number>();
  for (let row = 0; row < data.length; row++) {
    const pair = (left.data[row] as number) * right.size + (right.data[row] as number) + first;
    let code = known.get(pair);
    if (code === undefined) known.set(pair, (code = known.size));
    data[row] = code;
  }
  return { data, first: 0, size: known.size };
}

/** Numbers codes by first appearance, into `ids`, which may be the array of the codes. */
function numbered({ data, first, size }: Codes, rows: number, ids: Int32Array): Groups & { readonly firstRows: Int32Array } {
  const groupOf = new Int32Array(size).fill(-1);
  const firstRows: number[] = [];
  for (let row = 0; row < rows; row++) {
    const code = (data[row] as number) + first;
    let group = groupOf[code] as number;
    if (group === -1) {
      group = firstRows.push(row) - 1;
      groupOf[code] = group;
    }
    ids[row] = group;
  }
  return { ids, count: firstRows.length, rows, firstRows: Int32Array.from(firstRows) };
}
