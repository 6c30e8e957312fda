import { fromPairs, quantileAt, type AggregateOptions, type FrameRanges } from '../functions';

/** The input of a sliding window: the values in window order, and the frame of each position. Results are by position, not by row. */
export interface Sliding extends FrameRanges {
  readonly values: Float64Array;
}

/**
 * A summary that two neighbouring stretches combine into one of both. States are runs of `width` numbers in flat memory.
 */
export interface Merging {
  readonly width: number;
  readonly empty: readonly number[];
  readonly leaf: (at: number, into: Float64Array, place: number) => void;
  /** Writes the state of a followed by b at `place`; a, b and the result may be the same memory. */
  readonly merge: (a: Float64Array, i: number, b: Float64Array, j: number, into: Float64Array, place: number) => void;
}

/**
 * A moving summary without ever taking a value out, so that nothing is lost to cancellation.
 * Method: a queue of two stacks; the front keeps sums of its suffixes, the back one running sum. Cost: O(n) merges in all.
 */
export function slide(
  { low, high }: FrameRanges,
  { width, empty, leaf, merge }: Merging,
  read: (state: Float64Array) => number,
): Float64Array {
  const size = low.length;
  const out = new Float64Array(size);
  const front = new Float64Array(size * width);
  const back = Float64Array.from(empty);
  const one = new Float64Array(width);
  const both = new Float64Array(width);
  // Positions [from, middle) lie in the front, [middle, to) in the back.
  let [from, middle, to] = [0, 0, 0];
  for (let at = 0; at < size; at++) {
    const [lower, upper] = [low[at] as number, high[at] as number];
    if (lower >= to) {
      [from, middle, to] = [lower, lower, lower];
      back.set(empty);
    }
    for (; to < upper; to++) {
      leaf(to, one, 0);
      merge(back, 0, one, 0, back, 0);
    }
    from = Math.max(from, lower);
    if (from >= middle && to > from) {
      // The front is used up: the back becomes the front.
      for (let p = to - 1; p >= from; p--) {
        leaf(p, one, 0);
        if (p === to - 1) front.set(one, p * width);
        else merge(one, 0, front, (p + 1) * width, front, p * width);
      }
      middle = to;
      back.set(empty);
    }
    if (from < middle) merge(front, from * width, back, 0, both, 0);
    else both.set(back);
    out[at] = upper > lower ? read(both) : read(Float64Array.from(empty));
  }
  return out;
}

/** Count, mean, squares around it. Method: Chan, Golub and LeVeque (1979). */
const variances = (values: Float64Array): Merging => ({
  width: 3,
  empty: [0, 0, 0],
  leaf: (at, into, place) => {
    const value = values[at] as number;
    const there = value === value;
    into[place] = there ? 1 : 0;
    into[place + 1] = there ? value : 0;
    into[place + 2] = 0;
  },
  merge: (a, i, b, j, into, place) => {
    const [n, m] = [a[i] as number, b[j] as number];
    const [meanA, meanB] = [a[i + 1] as number, b[j + 1] as number];
    const squares = (a[i + 2] as number) + (b[j + 2] as number);
    const all = n + m;
    const off = meanB - meanA;
    into[place] = all;
    into[place + 1] = all === 0 ? 0 : meanA + (off * m) / all;
    into[place + 2] = all === 0 ? 0 : squares + (off * off * n * m) / all;
  },
});

const pairs = (ys: Float64Array, xs: Float64Array): Merging => ({
  width: 6,
  empty: [0, 0, 0, 0, 0, 0],
  leaf: (at, into, place) => {
    const [y, x] = [ys[at] as number, xs[at] as number];
    const there = y === y && x === x;
    into.fill(0, place, place + 6);
    if (!there) return;
    into[place] = 1;
    into[place + 1] = y;
    into[place + 2] = x;
  },
  merge: (a, i, b, j, into, place) => {
    const [n, m] = [a[i] as number, b[j] as number];
    const all = n + m;
    const [offY, offX] = [(b[j + 1] as number) - (a[i + 1] as number), (b[j + 2] as number) - (a[i + 2] as number)];
    const share = all === 0 ? 0 : (n * m) / all;
    const part = all === 0 ? 0 : m / all;
    const state = [
      all,
      (a[i + 1] as number) + offY * part,
      (a[i + 2] as number) + offX * part,
      (a[i + 3] as number) + (b[j + 3] as number) + offY * offY * share,
      (a[i + 4] as number) + (b[j + 4] as number) + offX * offX * share,
      (a[i + 5] as number) + (b[j + 5] as number) + offY * offX * share,
    ];
    into.set(state, place);
  },
});

/** A result that is there; what overflows has none. */
export const finite = (value: number): number => (Number.isFinite(value) ? value : NaN);

/** Variances over a moving window, from merged moments. Missing values are passed over. */
export function slidingVariances(sliding: Sliding, fewest: 0 | 1, root: boolean): Float64Array {
  return slide(sliding, variances(sliding.values), ([n, , squares]) => {
    const free = (n as number) - fewest;
    const variance = free > 0 ? (squares as number) / free : NaN;
    return finite(root ? Math.sqrt(variance) : variance);
  });
}

/** Statistics of two columns over a moving window; rows that lack either value are skipped. */
export function slidingPairs(sliding: Sliding, xs: Float64Array, name: string): Float64Array {
  return slide(sliding, pairs(sliding.values, xs), ([n, meanY, meanX, yy, xx, xy]) =>
    fromPairs(name, {
      n: n as number,
      meanY: meanY as number,
      meanX: meanX as number,
      yy: yy as number,
      xx: xx as number,
      xy: xy as number,
    }),
  );
}

/** How many values are there: differences of running counts, which are whole and therefore exact. */
export function slidingCounts({ values, low, high }: Sliding): Float64Array {
  const before = new Int32Array(values.length + 1);
  for (let at = 0; at < values.length; at++) before[at + 1] = (before[at] as number) + (values[at] === values[at] ? 1 : 0);
  const out = new Float64Array(values.length);
  for (let at = 0; at < out.length; at++) out[at] = (before[high[at] as number] as number) - (before[low[at] as number] as number);
  return out;
}

/** Smallest (−1) or largest (1) of each frame, by a queue that keeps only candidates. Cost: O(n). */
export function slidingExtremes({ values, low, high }: Sliding, direction: -1 | 1): Float64Array {
  const size = values.length;
  const out = new Float64Array(size);
  const queue = new Int32Array(size);
  let [head, tail, to] = [0, 0, 0];
  for (let at = 0; at < size; at++) {
    const [lower, upper] = [low[at] as number, high[at] as number];
    if (lower >= to) [head, tail, to] = [0, 0, lower];
    for (; to < upper; to++) {
      const value = values[to] as number;
      if (value !== value) continue;
      while (tail > head && (values[queue[tail - 1] as number] as number) * direction <= value * direction) tail--;
      queue[tail++] = to;
    }
    while (head < tail && (queue[head] as number) < lower) head++;
    out[at] = head < tail && upper > lower ? (values[queue[head] as number] as number) : NaN;
  }
  return out;
}

/** The distinct values of a column in rising order, and each position's place among them; −1 where missing. */
function placesOf(values: Float64Array): { readonly distinct: Float64Array; readonly places: Int32Array } {
  const distinct = Float64Array.from(new Set(values.filter(value => value === value))).sort();
  const place = new Map(Array.from(distinct, (value, i) => [value, i]));
  return { distinct, places: Int32Array.from(values, value => place.get(value) ?? -1) };
}

/** Counts by place that can be asked for the kth value. Method: Fenwick (1994). */
class CountTree {
  private readonly tree: Int32Array;
  private readonly top: number;
  total = 0;

  constructor(size: number) {
    this.tree = new Int32Array(size + 1);
    this.top = 2 ** Math.floor(Math.log2(Math.max(1, size)));
  }

  add(place: number, by: 1 | -1): void {
    this.total += by;
    for (let i = place + 1; i < this.tree.length; i += i & -i) this.tree[i] = (this.tree[i] as number) + by;
  }

  /** Place of the kth value, k from 0. */
  kth(k: number): number {
    let [at, left] = [0, k + 1];
    for (let step = this.top; step > 0; step >>= 1) {
      const next = at + step;
      if (next < this.tree.length && (this.tree[next] as number) < left) {
        at = next;
        left -= this.tree[next] as number;
      }
    }
    return at;
  }
}

/** Walks the frames, telling which places come in and which go. */
function walk(
  { low, high }: FrameRanges,
  places: Int32Array,
  change: (place: number, by: 1 | -1) => void,
  seen: (at: number) => void,
): void {
  let [from, to] = [0, 0];
  const move = (at: number, by: 1 | -1): void => {
    const place = places[at] as number;
    if (place >= 0) change(place, by);
  };
  for (let at = 0; at < low.length; at++) {
    const [lower, upper] = [low[at] as number, Math.max(low[at] as number, high[at] as number)];
    for (; to < upper; to++) move(to, 1);
    for (; from < lower; from++) if (from < to) move(from, -1);
    to = Math.max(to, from);
    seen(at);
  }
}

/** Percentiles of each frame. Cost: O(n log n). */
export function slidingQuantiles(sliding: Sliding, options: AggregateOptions, continuous: boolean): Float64Array {
  const { distinct, places } = placesOf(sliding.values);
  const counts = new CountTree(distinct.length);
  const out = new Float64Array(places.length);
  walk(
    sliding,
    places,
    (place, by) => counts.add(place, by),
    at => (out[at] = quantileAt(counts.total, options, continuous, k => distinct[counts.kth(k)] as number)),
  );
  return out;
}

/** Number, sum or mean of the different values of each frame; values that repeat count once. */
export function slidingDistinct(sliding: Sliding, summary: 'count' | 'sum' | 'avg'): Float64Array {
  const { distinct, places } = placesOf(sliding.values);
  const counts = new Int32Array(distinct.length);
  const out = new Float64Array(places.length);
  let [different, sum] = [0, 0];
  walk(
    sliding,
    places,
    (place, by) => {
      const now = (counts[place] = (counts[place] as number) + by);
      const came = by === 1 && now === 1;
      if (!came && !(by === -1 && now === 0)) return;
      different += by;
      sum += by * (distinct[place] as number);
    },
    at => (out[at] = summary === 'count' ? different : different === 0 ? NaN : summary === 'sum' ? sum : sum / different),
  );
  return out;
}

/** The most frequent value of each frame, the first in order where several are. Cost: O(n × different values) at worst. */
export function slidingModes(sliding: Sliding, descending: boolean): Float64Array {
  const { distinct, places } = placesOf(sliding.values);
  const counts = new Int32Array(distinct.length);
  const out = new Float64Array(places.length);
  walk(
    sliding,
    places,
    (place, by) => (counts[place] = (counts[place] as number) + by),
    at => {
      let [best, most] = [-1, 0];
      for (let i = 0; i < counts.length; i++) {
        const place = descending ? counts.length - 1 - i : i;
        if ((counts[place] as number) > most) [best, most] = [place, counts[place] as number];
      }
      out[at] = best === -1 ? NaN : (distinct[best] as number);
    },
  );
  return out;
}
