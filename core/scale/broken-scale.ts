import { linearScale, ticksBetween, timesAll, type LinearScaleOptions } from './linear-scale';
import type { BrokenScale, LinearScale, ScaleKind, Straight, Stretch } from './scale';

/** A range of values that an axis leaves out. */
export interface Break {
  readonly from: number;
  readonly to: number;
}

/** Options of a broken scale beside its values. */
export interface BrokenOptions extends LinearScaleOptions {
  /** Rising, apart from each other. */
  readonly breaks: readonly Break[];
  /** Percent of the axis that each stretch gets, from the low end; as long as their values reach unless said. */
  readonly shares?: readonly number[];
}

/**
 * Breaks with an end of one of them moved: it passes neither its other end nor the break beside it. Ends that would meet stay as they are.
 */
export function movedBreak(breaks: readonly Break[], nth: number, end: 'from' | 'to', value: number): readonly Break[] {
  const moved = breaks.map((item, i) => (i === nth ? { ...item, [end]: value } : item));
  const rises = moved.every(({ from, to }, i) => from < to && (i === 0 || from > (moved[i - 1]?.to ?? -Infinity)));
  return rises ? moved : breaks;
}

/** Room of a break mark, as a share of the axis. */
const BREAK_ROOM = 0.05;
// A stretch that is too low shows nothing.
const LEAST_SHARE = 0.12;
// Numbers that the whole axis has room for.
const NUMBERS = 6;

/**
 * A linear scale with stretches left out. Its ends are those of a linear scale of the values with the breaks taken out. Breaks that lie beyond
 * those ends leave nothing out and are passed over; without any that does it is a linear scale. Cost: O(n).
 */
export function brokenScale(values: Float64Array, { breaks, shares = [], ...options }: BrokenOptions): BrokenScale | LinearScale {
  const folded = linearScale(
    values.map(value => fold(value, breaks)),
    { ...options, ...foldedBounds(options, breaks) },
  );
  const [low, high] = [unfold(folded.low, breaks), unfold(folded.high, breaks)];
  const within = breaks.filter(({ from, to }) => from > low && to < high);
  if (within.length === 0) return linearScale(values, options);
  const edges = [low, ...within.flatMap(({ from, to }) => [from, to]), high];
  const spans = Array.from({ length: within.length + 1 }, (_, i) => [edges[2 * i], edges[2 * i + 1]] as [number, number]);
  const stretches = placed(spans, sharesOf(spans, shares));
  return { kind: 'broken', low, high, stretches, ticks: stretches.flatMap(ticksIn) };
}

/** A value with the breaks beneath it taken out; one within a break stands at its beginning. */
function fold(value: number, breaks: readonly Break[]): number {
  return breaks.reduce((sum, { from, to }) => sum - Math.max(0, Math.min(value, to) - from), value);
}

/** The other way round; what was the beginning of a break is its beginning again. */
function unfold(value: number, breaks: readonly Break[]): number {
  return breaks.reduce((sum, { from, to }) => (sum > from ? sum + (to - from) : sum), value);
}

function foldedBounds({ low, high, ceiling, floor }: LinearScaleOptions, breaks: readonly Break[]): LinearScaleOptions {
  const folded = (bound: number | null | undefined): number | null => (bound === null || bound === undefined ? null : fold(bound, breaks));
  return { low: folded(low), high: folded(high), ceiling: folded(ceiling), floor: folded(floor) };
}

/** Shares of the room that breaks leave; they sum up to 1. */
function sharesOf(spans: readonly [number, number][], wanted: readonly number[]): number[] {
  const given = spans.map((_, i) => Math.max(0, wanted[i] ?? 0));
  const isGiven = wanted.length === spans.length && given.every(share => share > 0);
  const lengths = isGiven ? given : spans.map(([low, high]) => high - low);
  const sum = lengths.reduce((all, length) => all + length, 0);
  const shares = lengths.map(length => (isGiven ? length / sum : Math.max(LEAST_SHARE, length / sum)));
  const all = shares.reduce((total, share) => total + share, 0);
  return shares.map(share => share / all);
}

function placed(spans: readonly [number, number][], shares: readonly number[]): Stretch[] {
  const room = 1 - BREAK_ROOM * (spans.length - 1);
  let from = 0;
  return spans.map(([low, high], i) => {
    const to = i === spans.length - 1 ? 1 : from + (shares[i] as number) * room;
    const stretch = { low, high, from, to };
    from = to + BREAK_ROOM;
    return stretch;
  });
}

const ticksIn = ({ low, high, from, to }: Stretch): number[] => ticksBetween(low, high, Math.max(2, Math.round(NUMBERS * (to - from))));

/** Knots of value and position, rising: where one straight piece ends and the next begins. */
interface Knots {
  readonly values: readonly number[];
  readonly positions: readonly number[];
}

const knotsOf = ({ stretches }: BrokenScale): Knots => ({
  values: stretches.flatMap(({ low, high }) => [low, high]),
  positions: stretches.flatMap(({ from, to }) => [from, to]),
});

/** The place of `at` among rising knots, carried over to the others; beyond the ends the last piece goes on. */
function across(from: readonly number[], to: readonly number[], at: number): number {
  let k = 0;
  while (k < from.length - 2 && at > (from[k + 1] as number)) k++;
  const [a, b] = [from[k] as number, from[k + 1] as number];
  const [c, d] = [to[k] as number, to[k + 1] as number];
  return c + ((at - a) / (b - a)) * (d - c);
}

/** How a broken scale places: straight within each stretch, and steeply through the breaks, so that every value has a place of its own. */
export const brokenKind: ScaleKind<BrokenScale> = {
  words: 'linear with breaks',
  noPlace: '',
  hasEvenTicks: true,
  position(scale, value) {
    const { values, positions } = knotsOf(scale);
    return across(values, positions, value);
  },
  value(scale, position) {
    const { values, positions } = knotsOf(scale);
    return across(positions, values, position);
  },
  positions(scale, values, out) {
    const pieces = piecesOf(scale);
    if (pieces.length === 3) throughOne(pieces as [Piece, Piece, Piece], values, out);
    else throughMany(pieces, values, out);
  },
  straight: () => null,
  times: ({ low, high, stretches, ticks }, factor) => ({
    kind: 'broken',
    low: low * factor,
    high: high * factor,
    stretches: stretches.map(stretch => ({ ...stretch, low: stretch.low * factor, high: stretch.high * factor })),
    ticks: timesAll(ticks, factor),
  }),
  describe: ({ stretches }, write) =>
    `axis broken ${stretches
      .slice(1)
      .map(({ low }, i) => `between ${write((stretches[i] as Stretch).high)} and ${write(low)}`)
      .join(' and ')}`,
};

/** A straight piece of a broken scale: up to which value it goes, and its way. */
export interface Piece extends Straight {
  readonly upTo: number;
}

/** The straight pieces of a broken scale, breaks among them, from its low end; the first goes on below it, the last above it. */
export function piecesOf(scale: BrokenScale): Piece[] {
  const { values, positions } = knotsOf(scale);
  return values.slice(1).map((upTo, k) => {
    const [from, at] = [values[k] as number, positions[k] as number];
    const perUnit = ((positions[k + 1] as number) - at) / (upTo - from);
    return { upTo, perUnit, from: at - from * perUnit };
  });
}

/** One break, the usual case: written out, since a loop over pieces costs a third more. */
function throughOne([below, within, above]: readonly [Piece, Piece, Piece], values: Float64Array, out: Float64Array): void {
  const [end, begin] = [below.upTo, within.upTo];
  const [fromBelow, fromWithin, fromAbove] = [below.from, within.from, above.from];
  const [perBelow, perWithin, perAbove] = [below.perUnit, within.perUnit, above.perUnit];
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value <= end) out[i] = fromBelow + value * perBelow;
    else if (value <= begin) out[i] = fromWithin + value * perWithin;
    else out[i] = fromAbove + value * perAbove;
  }
}

function throughMany(pieces: readonly Piece[], values: Float64Array, out: Float64Array): void {
  const last = pieces.length - 1;
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    let k = 0;
    while (k < last && value > (pieces[k] as Piece).upTo) k++;
    const { from, perUnit } = pieces[k] as Piece;
    out[i] = from + value * perUnit;
  }
}
