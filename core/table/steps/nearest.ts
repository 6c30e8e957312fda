import { rowsWithValue } from 'core/table';

const MS_PER_DAY = 86_400_000;

/**
 * Each moment moved to the nearest one of another list, so many days away at most; to the earlier of two that are as near. What lies further from all stays.
 * Cost: a sort of the other list, a search by halves for each.
 */
export function movedToNearest(own: Float64Array, target: Float64Array, days: number, type: 'date' | 'timestamp'): Float64Array {
  const within = type === 'date' ? days : days * MS_PER_DAY;
  const there = rowsWithValue({ type, data: target });
  const sorted = Float64Array.from(there, row => target[row] as number).sort();
  return own.map(moment => {
    if (Number.isNaN(moment) || sorted.length === 0) return moment;
    const near = nearestIn(sorted, moment);
    return Math.abs(near - moment) <= within ? near : moment;
  });
}

function nearestIn(sorted: Float64Array, moment: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] as number) < moment) low = middle + 1;
    else high = middle;
  }
  const [before, after] = [sorted[low - 1] ?? -Infinity, sorted[low] ?? Infinity];
  return moment - before <= after - moment ? before : after;
}
