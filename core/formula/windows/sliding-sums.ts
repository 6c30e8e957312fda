import type { FrameRanges } from '../functions';
import { finite, slide, type Merging, type Sliding } from './sliding';

/** Sum, and what rounding lost; count. Method: Neumaier's compensation, merged. */
const sums = (values: Float64Array): Merging => ({
  width: 3,
  empty: [0, 0, 0],
  leaf: (at, into, place) => {
    const value = values[at] as number;
    const there = value === value;
    into[place] = there ? value : 0;
    into[place + 1] = 0;
    into[place + 2] = there ? 1 : 0;
  },
  merge: (a, i, b, j, into, place) => {
    const [x, y] = [a[i] as number, b[j] as number];
    const sum = x + y;
    const lost = (a[i + 1] as number) + (b[j + 1] as number) + (Math.abs(x) >= Math.abs(y) ? x - sum + y : y - sum + x);
    const count = (a[i + 2] as number) + (b[j + 2] as number);
    into[place] = sum;
    into[place + 1] = lost;
    into[place + 2] = count;
  },
});

/** True when every frame of the running kind: each starts where its partition does. */
const runs = ({ low }: FrameRanges, starts: Uint8Array): boolean => {
  for (let at = 0, start = 0; at < low.length; at++) {
    if (starts[at]) start = at;
    if (low[at] !== start) return false;
  }
  return true;
};

/** Sums or means over a moving window; no value is ever taken out of a sum, so that nothing is lost to cancellation. Missing values are passed over. */
export function slidingSums(sliding: Sliding, mean: boolean, starts: Uint8Array): Float64Array {
  if (runs(sliding, starts)) return runningSums(sliding, mean, starts);
  if (widest(sliding) <= NARROW) return narrowSums(sliding, mean);
  return slide(sliding, sums(sliding.values), ([sum, lost, count]) =>
    count === 0 ? NaN : finite(((sum as number) + (lost as number)) / (mean ? (count as number) : 1)),
  );
}

/** A sum as it grows, and what rounding lost of it. Method: Neumaier's compensation. Missing values are passed over. */
class GrowingSum {
  private total = 0;
  private lost = 0;
  private count = 0;

  clear(): void {
    this.total = this.lost = this.count = 0;
  }

  add(value: number): void {
    if (value !== value) return;
    const next = this.total + value;
    this.lost += Math.abs(this.total) >= Math.abs(value) ? this.total - next + value : value - next + this.total;
    this.total = next;
    this.count++;
  }

  /** The sum, or the mean; missing where nothing was added. */
  result(mean: boolean): number {
    return this.count === 0 ? NaN : finite((this.total + this.lost) / (mean ? this.count : 1));
  }
}

// The running total is the commonest of all: one flat pass.
function runningSums({ values, high }: Sliding, mean: boolean, starts: Uint8Array): Float64Array {
  const [out, sum] = [new Float64Array(values.length), new GrowingSum()];
  let to = 0;
  for (let at = 0; at < values.length; at++) {
    if (starts[at]) {
      sum.clear();
      to = at;
    }
    for (const end = high[at] as number; to < end; to++) sum.add(values[to] as number);
    out[at] = sum.result(mean);
  }
  return out;
}

// Frames so narrow are summed up from their first value each time sooner than stacks are kept.
const NARROW = 12;

const widest = ({ low, high }: FrameRanges): number => low.reduce((most, lower, at) => Math.max(most, (high[at] as number) - lower), 0);

/** Each frame by itself. Cost: O(n × width). */
function narrowSums({ values, low, high }: Sliding, mean: boolean): Float64Array {
  const [out, sum] = [new Float64Array(values.length), new GrowingSum()];
  for (let at = 0; at < out.length; at++) {
    sum.clear();
    for (let to = low[at] as number; to < (high[at] as number); to++) sum.add(values[to] as number);
    out[at] = sum.result(mean);
  }
  return out;
}
