import type { FunctionHelp } from './entry';

/** Rows in the order of a window, by partition. */
export interface SortedRows {
  /** Row numbers by partition, in order. */
  readonly rows: Int32Array;
  /** 1 where a partition starts, by position in `rows`. */
  readonly starts: Uint8Array;
  /** 1 where a row's order keys differ from the previous row's, by position in `rows`. */
  readonly changes: Uint8Array;
}

/** For each position the frame as positions [low, high) in `rows`. */
export interface FrameRanges {
  readonly low: Int32Array;
  readonly high: Int32Array;
}

/** `number`: computes a number per row. `row`: finds for each row the row whose value is taken (−1 for none). */
export type WindowFunction = FunctionHelp & {
  readonly needsOrder: boolean;
  readonly arity: readonly [least: number, most: number, words: string];
} & (
    | { readonly kind: 'number'; readonly run: (sorted: SortedRows, n: ArrayLike<number>) => Float64Array }
    | { readonly kind: 'offset'; readonly direction: -1 | 1 }
    | { readonly kind: 'frame'; readonly pick: (low: number, high: number, n: number) => number }
  );

const base = { group: 'window', needsOrder: true, arity: [0, 0, 'no argument'] } as const;

/** Computes one number per row from its position, the start of its partition, and the start and end of its peers. */
function eachRow(sorted: SortedRows, compute: (at: Place) => number): Float64Array {
  const { rows, starts, changes } = sorted;
  const out = new Float64Array(rows.length);
  for (let start = 0; start < rows.length;) {
    let end = start + 1;
    while (end < rows.length && !starts[end]) end++;
    let dense = 0;
    for (let peer = start; peer < end;) {
      let peerEnd = peer + 1;
      while (peerEnd < end && !changes[peerEnd]) peerEnd++;
      dense++;
      for (let at = peer; at < peerEnd; at++) out[rows[at] as number] = compute({ at, start, end, peer, peerEnd, dense });
      peer = peerEnd;
    }
    start = end;
  }
  return out;
}

interface Place {
  readonly at: number;
  readonly start: number;
  readonly end: number;
  readonly peer: number;
  readonly peerEnd: number;
  readonly dense: number;
}

/** Functions that exist only with a window. */
export const windowFunctions: Readonly<Record<string, WindowFunction>> = {
  row_number: {
    ...base,
    kind: 'number',
    signature: 'row_number()',
    help: 'Place by the order, from 1, every row its own.',
    example: 'row_number() over (order by milk desc)',
    run: ({ rows, starts }) => {
      const out = new Float64Array(rows.length);
      for (let at = 0, place = 0; at < rows.length; at++) {
        place = starts[at] ? 1 : place + 1;
        out[rows[at] as number] = place;
      }
      return out;
    },
  },
  rank: {
    ...base,
    kind: 'number',
    signature: 'rank()',
    help: 'Place by the order, from 1; ties share a place and the next places are left out.',
    example: 'rank() over (order by milk desc)',
    // Flat, because it runs on every edit of a ranked figure.
    run: ({ rows, starts, changes }) => {
      const out = new Float64Array(rows.length);
      for (let at = 0, start = 0, place = 1; at < rows.length; at++) {
        if (starts[at]) start = at;
        if (changes[at]) place = at - start + 1;
        out[rows[at] as number] = place;
      }
      return out;
    },
  },
  dense_rank: {
    ...base,
    kind: 'number',
    signature: 'dense_rank()',
    help: 'Place by the order, from 1; ties share a place and no place is left out.',
    example: 'dense_rank() over (order by milk desc)',
    run: sorted => eachRow(sorted, ({ dense }) => dense),
  },
  percent_rank: {
    ...base,
    kind: 'number',
    signature: 'percent_rank()',
    help: 'Share of the other rows that come before, 0 to 1.',
    example: 'percent_rank() over (order by milk)',
    run: sorted => eachRow(sorted, ({ peer, start, end }) => (end - start > 1 ? (peer - start) / (end - start - 1) : 0)),
  },
  cume_dist: {
    ...base,
    kind: 'number',
    signature: 'cume_dist()',
    help: 'Share of the rows up to this one, ties included, above 0 to 1.',
    example: 'cume_dist() over (order by milk)',
    run: sorted => eachRow(sorted, ({ peerEnd, start, end }) => (peerEnd - start) / (end - start)),
  },
  ntile: {
    ...base,
    kind: 'number',
    arity: [1, 1, 'how many parts'],
    signature: 'ntile(n)',
    help: 'Which of n parts of nearly equal size the row falls into, from 1.',
    example: 'ntile(4) over (order by milk)',
    run: (sorted, n) =>
      eachRow(sorted, ({ at, start, end }) =>
        tile(at - start, end - start, Math.floor(n[n.length > 1 ? (sorted.rows[at] as number) : 0] ?? NaN)),
      ),
  },
  lag: {
    ...base,
    kind: 'offset',
    direction: -1,
    arity: [1, 3, 'a value, how many rows back, and what stands where there is none'],
    signature: 'lag(x[, n[, otherwise]])',
    help: 'The value n rows before, 1 unless told.',
    example: 'lag(milk) over (order by week)',
  },
  lead: {
    ...base,
    kind: 'offset',
    direction: 1,
    arity: [1, 3, 'a value, how many rows ahead, and what stands where there is none'],
    signature: 'lead(x[, n[, otherwise]])',
    help: 'The value n rows after, 1 unless told.',
    example: 'lead(milk) over (order by week)',
  },
  first_value: {
    ...base,
    kind: 'frame',
    needsOrder: false,
    arity: [1, 1, 'a value'],
    signature: 'first_value(x)',
    help: 'The value of the first row of the frame.',
    example: 'first_value(milk) over (order by week)',
    pick: low => low,
  },
  last_value: {
    ...base,
    kind: 'frame',
    needsOrder: false,
    arity: [1, 1, 'a value'],
    signature: 'last_value(x)',
    help: 'The value of the last row of the frame; with an order, the frame ends at the row itself unless told.',
    example: 'last_value(milk) over (order by week rows between unbounded preceding and unbounded following)',
    pick: (_low, high) => high - 1,
  },
  nth_value: {
    ...base,
    kind: 'frame',
    needsOrder: false,
    arity: [2, 2, 'a value and its place'],
    signature: 'nth_value(x, n)',
    help: 'The value of the nth row of the frame.',
    example: 'nth_value(milk, 2) over (order by week)',
    pick: (low, high, n) => (n >= 1 && low + n - 1 < high ? low + n - 1 : -1),
  },
};

/** The first parts get one row more where the rows do not divide evenly. */
function tile(place: number, rows: number, parts: number): number {
  if (!(parts >= 1)) return NaN;
  const [size, larger] = [Math.floor(rows / parts), rows % parts];
  const inLarger = larger * (size + 1);
  return place < inLarger ? Math.floor(place / (size + 1)) + 1 : larger + Math.floor((place - inLarger) / size) + 1;
}
