import { shiftMoment, type FrameRanges, type Interval, type SortedRows } from '../functions';
import type { TypedBound, TypedBounds } from '../evaluate/typed';

/** Sorted rows with the numeric values of their order keys (see `sortWindow`). */
export type SortedWindow = SortedRows & { readonly keys: readonly Float64Array[] };

/** The inverse of `sortKey`: gives the value for distances. */
export interface RangeKey {
  readonly type: 'number' | 'date' | 'timestamp';
  readonly descending: boolean;
}

/** The frame of each position, as positions [low, high). Both ends only move forward within a partition. Cost: O(n). */
export function frameRanges(sorted: SortedWindow, bounds: TypedBounds, key: RangeKey | null): FrameRanges {
  const size = sorted.rows.length;
  const low = new Int32Array(size);
  const high = new Int32Array(size);
  for (let start = 0; start < size;) {
    let end = start + 1;
    while (end < size && !sorted.starts[end]) end++;
    if (bounds.unit === 'rows') rowFrames({ start, end }, bounds, low, high);
    else valueFrames(sorted, { start, end }, bounds, key, low, high);
    start = end;
  }
  return { low, high };
}

interface Part {
  readonly start: number;
  readonly end: number;
}

function rowFrames({ start, end }: Part, { from, to }: TypedBounds, low: Int32Array, high: Int32Array): void {
  const [back, ahead] = [rowOffset(from), rowOffset(to)];
  for (let at = start; at < end; at++) {
    low[at] = Math.max(start, Math.min(end, at + back));
    high[at] = Math.max(low[at] as number, Math.min(end, at + ahead + 1));
  }
}

function rowOffset(bound: TypedBound): number {
  switch (bound.kind) {
    case 'unbounded-preceding':
      return -Infinity;
    case 'unbounded-following':
      return Infinity;
    case 'current':
      return 0;
    case 'preceding':
      return -bound.offset;
    case 'following':
      return bound.offset;
  }
}

function valueFrames(
  sorted: SortedWindow,
  part: Part,
  { from, to }: TypedBounds,
  key: RangeKey | null,
  low: Int32Array,
  high: Int32Array,
): void {
  const lows = valueEnd(sorted, part, from, key, 'low');
  const highs = valueEnd(sorted, part, to, key, 'high');
  for (let at = part.start; at < part.end; at++) {
    low[at] = lows(at);
    high[at] = Math.max(low[at] as number, highs(at));
  }
}

/** One end of a range frame as a function of the position; positions must be asked in ascending order. */
function valueEnd(
  sorted: SortedWindow,
  { start, end }: Part,
  bound: TypedBound,
  key: RangeKey | null,
  side: 'low' | 'high',
): (at: number) => number {
  if (bound.kind === 'unbounded-preceding') return () => start;
  if (bound.kind === 'unbounded-following') return () => end;
  if (!('offset' in bound) || !key) return peerEnd(sorted, end, side);
  const column = sorted.keys[0] as Float64Array;
  const valueAt = (at: number): number => column[sorted.rows[at] as number] as number;
  const limitOf = limit(bound, key);
  let edge = start;
  return at => {
    const wanted = limitOf(valueAt(at));
    if (side === 'low') while (edge < end && valueAt(edge) < wanted) edge++;
    else while (edge < end && valueAt(edge) <= wanted) edge++;
    return edge;
  };
}

/** The sort key at a distance from another; missing keys stay together. */
function limit(bound: Extract<TypedBound, { offset: number }>, { type, descending }: RangeKey): (value: number) => number {
  const way = bound.kind === 'preceding' ? -1 : 1;
  const { interval } = bound;
  if (!interval || type === 'number') return value => value + way * bound.offset;
  // In a falling order, what precedes lies later in time.
  const step = times(interval, descending ? -way : way);
  return value => (Number.isFinite(value) ? (descending ? -shiftMoment(-value, type, step) : shiftMoment(value, type, step)) : value);
}

const times = ({ months, ms }: Interval, way: number): Interval => ({ months: months * way, ms: ms * way });

function peerEnd({ changes, starts }: SortedWindow, end: number, side: 'low' | 'high'): (at: number) => number {
  let edge = 0;
  if (side === 'low')
    return at => {
      if (changes[at] || starts[at]) edge = at;
      return edge;
    };
  edge = -1;
  return at => {
    if (edge <= at) {
      edge = at + 1;
      while (edge < end && !changes[edge]) edge++;
    }
    return edge;
  };
}

/** Up to the current row's peers: the standard's frame for an ordered window. */
export const DEFAULT_BOUNDS: TypedBounds = { unit: 'range', from: { kind: 'unbounded-preceding' }, to: { kind: 'current' } };
/** The whole partition. */
export const WHOLE_BOUNDS: TypedBounds = { unit: 'rows', from: { kind: 'unbounded-preceding' }, to: { kind: 'unbounded-following' } };
