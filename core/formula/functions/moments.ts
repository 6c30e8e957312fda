import { keptPer } from 'core/stages';
import type { NumericVec } from '../evaluate/vec';
import type { Groups } from './aggregate-entry';

/** Counts, means and squared deviations per group. */
export interface Sums {
  readonly totals: Float64Array;
  readonly counts: Float64Array;
}

// `sum` and `avg` of the same column over the same groups are one pass: the memory of a column never changes.
const known = keptPer<Float64Array, { readonly groups: Groups; readonly sums: Sums }>();

/** Counts that a sum over the same groups has already found. */
export function countsFound(arg: NumericVec, groups: Groups): Float64Array | undefined {
  const before = known.get(arg.data);
  return before?.groups === groups ? before.sums.counts : undefined;
}

/** Compensated totals and counts per group, missing values skipped. A group without values totals NaN. */
export function sumsOf(arg: NumericVec, groups: Groups): Sums {
  const before = known.get(arg.data);
  if (before?.groups === groups) return before.sums;
  const sums = addUp(arg, groups);
  known.set(arg.data, { groups, sums });
  return sums;
}

/**
 * Method: every addition's rounding error, exact after Knuth, "The Art of Computer Programming" 2, 4.2.2, theorem B, is summed apart and
 * added at the end, as Neumaier (1974), "Rundungsfehleranalyse einiger Verfahren zur Summation endlicher Summen", does; written flat
 * and without a branch, because it is the hot loop of every figure.
 */
function addUp(arg: NumericVec, { ids, count, rows }: Groups): Sums {
  const data = arg.constant ? new Float64Array(rows).fill(arg.data[0] as number) : arg.data;
  if (ids === null) return addUpAll(data, rows);
  // Total, what rounding lost and count of a group stand side by side: a row meets one place in memory.
  const sums = new Float64Array(count * SIDE);
  for (let row = 0; row < rows; row++) {
    const value = data[row] as number;
    if (value !== value) continue;
    const at = Math.imul(ids[row] as number, SIDE);
    const total = sums[at] as number;
    const next = total + value;
    const added = next - total;
    sums[at + LOST] = (sums[at + LOST] as number) + (total - (next - added)) + (value - added);
    sums[at] = next;
    sums[at + COUNT] = (sums[at + COUNT] as number) + 1;
  }
  return apart(sums, count);
}

const [LOST, COUNT, SIDE] = [1, 2, 4] as const;

function apart(sums: Float64Array, count: number): Sums {
  const totals = new Float64Array(count);
  const counts = new Float64Array(count);
  for (let group = 0; group < count; group++) {
    const at = group * SIDE;
    counts[group] = sums[at + COUNT] as number;
    totals[group] = counts[group] === 0 ? NaN : finite((sums[at] as number) + (sums[at + LOST] as number));
  }
  return { totals, counts };
}

/** All rows as one group, so that the sums stay in registers. */
function addUpAll(data: Float64Array, rows: number): Sums {
  let total = 0;
  let lost = 0;
  let count = 0;
  for (let row = 0; row < rows; row++) {
    const value = data[row] as number;
    if (value !== value) continue;
    const next = total + value;
    const added = next - total;
    lost += total - (next - added) + (value - added);
    total = next;
    count++;
  }
  return { totals: Float64Array.of(count === 0 ? NaN : finite(total + lost)), counts: Float64Array.of(count) };
}

// A sum past the largest float has no value that a column may hold.
const finite = (value: number): number => (Number.isFinite(value) ? value : NaN);

/** Variance or standard deviation per group, in two passes around the compensated mean. `fewest`: 1 for a sample, 0 for the population. */
export function variances(arg: NumericVec, groups: Groups, fewest: 0 | 1, root: boolean): Float64Array {
  const { totals, counts } = sumsOf(arg, groups);
  const { ids, rows } = groups;
  const squares = new Float64Array(groups.count);
  const step = arg.constant ? 0 : 1;
  const means = totals.map((total, g) => total / (counts[g] as number));
  for (let row = 0; row < rows; row++) {
    const value = arg.data[row * step] as number;
    if (value !== value) continue;
    const group = ids === null ? 0 : (ids[row] as number);
    const off = value - (means[group] as number);
    squares[group] = (squares[group] as number) + off * off;
  }
  return squares.map((sum, g) => {
    const free = (counts[g] as number) - fewest;
    if (!(free > 0)) return NaN;
    return finite(root ? Math.sqrt(sum / free) : sum / free);
  });
}

/** Count, means, and centred sums of squares and products of pairs without a missing value. */
export interface PairSums {
  readonly n: number;
  readonly meanY: number;
  readonly meanX: number;
  readonly yy: number;
  readonly xx: number;
  readonly xy: number;
}

/** Correlation, or a coefficient of the least squares line; missing where the pairs do not determine it. */
export function fromPairs(name: string, { n, meanY, meanX, yy, xx, xy }: PairSums): number {
  if (n === 0 || !(xx > 0)) return NaN;
  if (name === 'regr_slope') return finite(xy / xx);
  if (name === 'regr_intercept') return finite(meanY - (xy / xx) * meanX);
  return yy > 0 ? finite(Math.max(-1, Math.min(1, xy / Math.sqrt(xx * yy)))) : NaN;
}

/** Statistics of two columns per group (correlation, slope, …); rows where either value is missing are skipped. Cost: O(rows). */
export function pairMoments([y, x]: readonly [NumericVec, NumericVec], { ids, count, rows }: Groups, name: string): Float64Array {
  const sums = Array.from({ length: count }, () => new RunningPairs());
  const [ys, xs] = [y.constant ? 0 : 1, x.constant ? 0 : 1];
  for (let row = 0; row < rows; row++)
    sums[ids === null ? 0 : (ids[row] as number)]?.add(y.data[row * ys] as number, x.data[row * xs] as number);
  return Float64Array.from(sums, sum => fromPairs(name, sum));
}

/** Sums of pairs, updated one at a time. Method: Welford (1962), in two variables. */
export class RunningPairs implements PairSums {
  n = 0;
  meanY = 0;
  meanX = 0;
  yy = 0;
  xx = 0;
  xy = 0;

  add(y: number, x: number): void {
    if (y !== y || x !== x) return;
    this.n++;
    const [offY, offX] = [y - this.meanY, x - this.meanX];
    this.meanY += offY / this.n;
    this.meanX += offX / this.n;
    this.yy += offY * (y - this.meanY);
    this.xx += offX * (x - this.meanX);
    this.xy += offX * (y - this.meanY);
  }
}
