import { keptPer } from 'core/stages';
import type { Groups } from './aggregate-entry';

/** The lowest and the highest value of each group; NaN where it has none. */
export interface Ends {
  readonly lows: Float64Array;
  readonly highs: Float64Array;
}

// `min` and `max` of the same column over the same groups are one pass: the memory of a column never changes.
const known = keptPer<Float64Array, { readonly groups: Groups; readonly ends: Ends }>();

/**
 * The ends of each group, missing values skipped; of equal values the first stays.
 *
 * @param step 0 where the first value stands for every row
 * Cost: O(rows), once for a column and its groups.
 */
export function endsOf(data: Float64Array, step: 0 | 1, groups: Groups): Ends {
  const before = known.get(data);
  if (before?.groups === groups) return before.ends;
  const ends = found(data, step, groups);
  known.set(data, { groups, ends });
  return ends;
}

/** Lows and highs are interleaved, so that a row touches one place in memory. */
function found(data: Float64Array, step: 0 | 1, { ids, count, rows }: Groups): Ends {
  const ends = new Float64Array(2 * count).fill(NaN);
  for (let row = 0; row < rows; row++) {
    const value = data[row * step] as number;
    if (value !== value) continue;
    const at = ids ? Math.imul(ids[row] as number, 2) : 0;
    if (!((ends[at] as number) <= value)) ends[at] = value;
    if (!((ends[at + 1] as number) >= value)) ends[at + 1] = value;
  }
  const lows = new Float64Array(count);
  return { lows: lows.map((_, group) => ends[2 * group] as number), highs: lows.map((_, group) => ends[2 * group + 1] as number) };
}
