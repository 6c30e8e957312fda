import { keptPer } from 'core/stages';
import type { NumericVec } from '../evaluate/vec';
import type { AggregateOptions, Groups } from './aggregate-entry';

/** The values of each group, sorted ascending, group after group; `starts[g]` up to `starts[g + 1]`. */
export interface SortedGroups {
  readonly values: Float64Array;
  readonly starts: Int32Array;
}

// Median and percentiles of one column over the same groups share one sort.
const known = keptPer<Float64Array, { readonly groups: Groups; readonly sorted: SortedGroups }>();

/** The sorted values of each group, missing ones left out. Cost: O(n log n), once per column and groups. */
export function sortedGroups(arg: NumericVec, groups: Groups): SortedGroups {
  const before = known.get(arg.data);
  if (before?.groups === groups) return before.sorted;
  const sorted = sortGroups(arg, groups);
  known.set(arg.data, { groups, sorted });
  return sorted;
}

function sortGroups(arg: NumericVec, { ids, count, rows }: Groups): SortedGroups {
  const step = arg.constant ? 0 : 1;
  const starts = new Int32Array(count + 1);
  for (let row = 0; row < rows; row++) {
    const value = arg.data[row * step] as number;
    if (value === value) starts[(ids === null ? 0 : (ids[row] as number)) + 1]!++;
  }
  for (let g = 0; g < count; g++) starts[g + 1]! += starts[g] as number;
  const values = new Float64Array(starts[count] as number);
  const next = starts.slice();
  for (let row = 0; row < rows; row++) {
    const value = arg.data[row * step] as number;
    if (value === value) values[next[ids === null ? 0 : (ids[row] as number)]!++] = value;
  }
  for (let g = 0; g < count; g++) values.subarray(starts[g], starts[g + 1]).sort();
  return { values, starts };
}

/** The percentile of each group; `continuous` interpolates between two values, else the first at or above the fraction is taken. */
export function quantiles(arg: NumericVec, groups: Groups, options: AggregateOptions, continuous: boolean): Float64Array {
  const { values, starts } = sortedGroups(arg, groups);
  return Float64Array.from({ length: groups.count }, (_, g) => {
    const [from, to] = [starts[g] as number, starts[g + 1] as number];
    return quantileAt(to - from, options, continuous, place => values[from + place] as number);
  });
}

/** A percentile of `n` sorted values; `at` gives the value at an index. */
export function quantileAt(
  n: number,
  { fraction, descending }: AggregateOptions,
  continuous: boolean,
  at: (place: number) => number,
): number {
  if (n === 0 || !(fraction >= 0 && fraction <= 1)) return NaN;
  const ordered = (place: number): number => at(descending ? n - 1 - place : place);
  if (!continuous) return ordered(Math.max(0, Math.ceil(fraction * n - 1e-12) - 1));
  const place = fraction * (n - 1);
  const below = Math.floor(place);
  const low = ordered(below);
  return below === place ? low : low + (ordered(below + 1) - low) * (place - below);
}

/** The most frequent value per group, missing ones skipped. Cost: one sort, shared with the quantiles. */
export function modes(arg: NumericVec, groups: Groups, { descending }: AggregateOptions): Float64Array {
  const { values, starts } = sortedGroups(arg, groups);
  return Float64Array.from({ length: groups.count }, (_, g) => {
    let [best, most] = [NaN, 0];
    for (let at = starts[g] as number; at < (starts[g + 1] as number);) {
      const value = values[at] as number;
      const start = at;
      while (at < (starts[g + 1] as number) && values[at] === value) at++;
      if (at - start > most || (descending && at - start === most)) [best, most] = [value, at - start];
    }
    return best;
  });
}
