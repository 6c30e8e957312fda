/**
 * Indexes of a line's points that show at a width: for each pixel column the first, lowest, highest and last, every point that must stay, and the
 * borders of gaps. Sorted ascending. Method: M4 aggregation (Jugel et al., 2014). Cost: O(n).
 */
export function reduceLine(values: Float64Array, widthPx: number, mustStay: Uint8Array, places: Float64Array | null = null): number[] {
  const count = values.length;
  const buckets = Math.max(1, Math.floor(widthPx));
  if (count <= buckets * 4) return Array.from({ length: count }, (_, at) => at);
  const kept: number[] = [];
  let from = 0;
  for (let bucket = 0; bucket < buckets; bucket++) {
    let to = Math.floor(((bucket + 1) * count) / buckets);
    // To scale, a pixel holds what lies on it: many here, none there.
    if (places) for (to = from; to < count && (places[to] as number) * buckets <= (places[count - 1] as number) * (bucket + 1);) to++;
    keepOf(values, mustStay, from, to, kept);
    from = to;
  }
  return kept;
}

// Written flat: it runs over every point at each edit.
function keepOf(values: Float64Array, mustStay: Uint8Array, from: number, to: number, kept: number[]): void {
  let [low, high] = [-1, -1];
  for (let at = from; at < to; at++) {
    const value = values[at] as number;
    if (value !== value) continue;
    if (low === -1 || value < (values[low] as number)) low = at;
    if (high === -1 || value > (values[high] as number)) high = at;
  }
  for (let at = from; at < to; at++) {
    const value = values[at] as number;
    const border = value !== value ? at === from || values[at - 1] === values[at - 1] : at > from && values[at - 1] !== values[at - 1];
    if (at === from || at === to - 1 || at === low || at === high || mustStay[at] === 1 || border) kept.push(at);
  }
}
