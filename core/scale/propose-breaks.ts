import type { Break } from './broken-scale';
import { ticksBetween } from './linear-scale';

/** A break that the data offers. `frees`: the share of the axis that it gives to what is left. */
export interface BreakOffer extends Break {
  readonly frees: number;
}

// A break that frees less is not worth its mark.
const WORTH = 0.25;
// Kept at both sides of a break, as a share of the axis that is left: a bar must be seen to reach it, and to go on behind it.
const BESIDE = 0.06;
// A gap among values that lie as far apart as that everywhere is none.
const WIDER = 3;
// Offers at most.
const MOST = 3;

/**
 * Breaks at the largest gaps between values, the one that frees the most first. `lengths`: marks begin at zero, so that a gap beside it counts.
 * Missing values are passed over. Cost: O(n log n).
 */
export function proposeBreaks(values: Float64Array, lengths: boolean): BreakOffer[] {
  const sorted = values.filter(value => Number.isFinite(value)).sort();
  if (sorted.length === 0) return [];
  const all = lengths ? Float64Array.from([0, ...sorted]).sort() : sorted;
  const span = (all.at(-1) as number) - (all[0] as number);
  const gaps = Array.from({ length: all.length - 1 }, (_, i) => ({ from: all[i] as number, to: all[i + 1] as number })).filter(
    ({ from, to }) => to > from,
  );
  return gaps
    .filter(gap => gap.to - gap.from > span * WORTH && isWide(gap, gaps))
    .flatMap(gap => offerIn(gap, span))
    .sort((a, b) => b.frees - a.frees)
    .slice(0, MOST);
}

/** Whether a gap is several times as wide as the others usually are. */
function isWide(gap: Break, gaps: readonly Break[]): boolean {
  const others = Float64Array.from(gaps.filter(other => other !== gap).map(({ from, to }) => to - from)).sort();
  const middle = others[others.length >> 1];
  return middle !== undefined && gap.to - gap.from > WIDER * middle;
}

/** The roundest break that keeps some room beside the values at both ends of a gap. */
function offerIn({ from, to }: Break, span: number): BreakOffer[] {
  const beside = (span - (to - from)) * BESIDE || (to - from) * BESIDE;
  const [least, most] = [from + 2 * beside, to - beside];
  if (least >= most) return [];
  const ticks = ticksBetween(from, to, 40).filter(tick => tick >= least && tick <= most);
  const [first, last] = [ticks[0], ticks.at(-1)];
  if (first === undefined || last === undefined || first >= last) return [];
  const frees = (last - first) / span;
  return frees < WORTH ? [] : [{ from: first, to: last, frees }];
}
