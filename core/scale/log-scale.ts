import { limited, ticksBetween, timesAll, type Limits } from './linear-scale';
import type { AxisScale, LogScale, ScaleKind } from './scale';

/** Options of a log scale beside its values. */
export interface LogOptions extends Limits {
  /** Above 1; ten unless said. */
  readonly base?: number;
  /** A number at every so many powers; as many as fit unless said. */
  readonly every?: number | null;
  /** Share of the axis kept free above the data, for labels. */
  readonly headroom?: number;
  /** The same in data units, instead. */
  readonly headroomBy?: number | null;
  /** Marks are read by their length: the smallest must have one. */
  readonly lengths?: boolean;
}

// At most this many powers get a number each.
const MOST_POWERS = 9;
// Beyond these, logarithms lose digits or a power is no number.
const LEAST = 1e-300;
const MOST = 1e300;
// Powers that are counted a little beside a whole one are that one.
const DUST = 1e-9;

/** The power of a base at or below a value. */
export const powerBelow = (value: number, base: number): number => Math.floor(Math.log(value) / Math.log(base) + DUST);
/** The power of a base at or above a value. */
export const powerAbove = (value: number, base: number): number => Math.ceil(Math.log(value) / Math.log(base) - DUST);
/** A power, without the dust that repeated multiplication leaves on those of ten. */
export const powerOf = (base: number, exponent: number): number => (base === 10 ? Number(`1e${exponent}`) : base ** exponent);

/** Multiples between two powers that count as round: 2 and 5, also times ten where the base is larger. */
export function roundMultiples(base: number): number[] {
  const all = [1];
  for (let ten = 1; ten < base; ten *= 10) for (const digit of [2, 5, 10]) if (base >= 10 && digit * ten < base) all.push(digit * ten);
  return all;
}

/** The nearest round number at or below a positive value, or at or above it. */
export function roundedTo(value: number, base: number, side: 'below' | 'above'): number {
  const power = powerBelow(value, base);
  const candidates = [power - 1, power, power + 1].flatMap(k => roundMultiples(base).map(multiple => multiple * powerOf(base, k)));
  return side === 'below'
    ? Math.max(...candidates.filter(candidate => candidate <= value * (1 + DUST)))
    : Math.min(...candidates.filter(candidate => candidate >= value * (1 - DUST)));
}

/**
 * A logarithmic scale around the positive values, its ends round numbers unless the analyst's own, which need not be powers; ends at or below zero are passed over. Missing values, zero and what lies below it are
 * passed over: they have no logarithm. Without any positive value it runs from 1 to its base. Cost: O(n).
 */
export function logScale(values: Float64Array, options: LogOptions = {}): LogScale {
  const { base = 10, headroom = 0, headroomBy } = options;
  const [least, most] = positiveExtent(values, base);
  const low = own(options.low) ?? lowEnd(least, base, options.lengths ?? false);
  const high = own(options.high) ?? (headroomBy ? most + headroomBy : highEnd(Math.max(most, least), low, base, headroom));
  const inOrder: [number, number] = low < high ? [low, high] : own(options.low) ? [low, low * base] : [high / base, high];
  const ends = limited(inOrder, [least, most], { ...options, low: own(options.low), high: own(options.high), floor: own(options.floor) });
  return { kind: 'log', base, low: ends[0], high: ends[1], ...logTicks(ends[0], ends[1], base, options.every ?? null) };
}

const own = (bound: number | null | undefined): number | null => (bound !== null && bound !== undefined && bound > 0 ? bound : null);

function positiveExtent(values: Float64Array, base: number): [number, number] {
  let [least, most] = [Infinity, 0];
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value > 0 && value < least) least = value;
    if (value > most) most = value;
  }
  return most === 0 ? [1, base] : [Math.max(LEAST, least), Math.min(MOST, Math.max(LEAST, most))];
}

function lowEnd(least: number, base: number, lengths: boolean): number {
  const below = roundedTo(least, base, 'below');
  // A bar that begins where it ends would look like a missing one.
  return lengths && below > least * (1 - DUST) ? roundedTo(below * (1 - 2 * DUST), base, 'below') : below;
}

function highEnd(most: number, low: number, base: number, headroom: number): number {
  if (headroom > 0 && most > low) return Math.min(MOST * base, most * (most / low) ** (headroom / (1 - headroom)));
  const above = roundedTo(most, base, 'above');
  return above > low ? above : roundedTo(low * (1 + 2 * DUST), base, 'above');
}

/** Powers in sight, or, where those are fewer than two, round multiples of them, or, where those are too, round numbers. Minor ticks between. */
export function logTicks(low: number, high: number, base: number, every: number | null): Pick<LogScale, 'ticks' | 'minor'> {
  const inside = (value: number): boolean => value >= low * (1 - DUST) && value <= high * (1 + DUST);
  const [first, last] = [powerBelow(low, base), powerAbove(high, base)];
  const step = every ?? Math.max(1, Math.ceil((last - first + 1) / MOST_POWERS));
  const exponents = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  const powers = exponents.filter(k => k % step === 0).map(k => powerOf(base, k));
  const ticks = powers.filter(inside);
  const minor =
    step > 1
      ? exponents.filter(k => k % step !== 0).map(k => powerOf(base, k))
      : exponents.flatMap(k => minorMultiples(base).map(multiple => multiple * powerOf(base, k)));
  if (ticks.length >= 2 || every !== null) return { ticks, minor: minor.filter(inside) };
  const multiples = exponents.flatMap(k => roundMultiples(base).map(multiple => multiple * powerOf(base, k))).filter(inside);
  if (multiples.length >= 2) return { ticks: multiples, minor: minor.filter(value => inside(value) && !multiples.includes(value)) };
  return { ticks: ticksBetween(low, high), minor: [] };
}

/** 2 to 9 for a base of ten; every whole one where the base is small; the round ones where it is large. */
function minorMultiples(base: number): number[] {
  if (base > 16) return roundMultiples(base).slice(1);
  return Number.isInteger(base) ? Array.from({ length: base - 2 }, (_, i) => i + 2) : [];
}

/** How a log scale places: (ln v − ln low) / (ln high − ln low). */
export const logKind: ScaleKind<LogScale> = {
  words: 'logarithmic',
  noPlace: 'at or below zero',
  hasEvenTicks: false,
  position: ({ low, high }, value) => (value > 0 ? Math.log(value / low) / Math.log(high / low) : value <= 0 ? -Infinity : NaN),
  value: ({ low, high }, position) => low * (high / low) ** position,
  positions({ low, high }, values, out) {
    const [from, perUnit] = [Math.log(low), 1 / Math.log(high / low)];
    for (let i = 0; i < values.length; i++) {
      const value = values[i] as number;
      // The logarithm of what lies below zero is missing, and so is the one of missing.
      out[i] = value < 0 ? -Infinity : (Math.log(value) - from) * perUnit;
    }
  },
  straight: () => null,
  times: ({ low, high, ticks, minor, base }, factor) => ({
    kind: 'log',
    base,
    low: low * factor,
    high: high * factor,
    ticks: timesAll(ticks, factor),
    minor: timesAll(minor, factor),
  }),
  describe: ({ base }) => `log scale to base ${baseWord(base)}`,
};

/** A base as it is written. */
export const baseWord = (base: number): string => (base === Math.E ? 'e' : String(base));

/** The logarithmic scale as an axis can be given it. */
export const logAxis: AxisScale<LogOptions> = {
  words: 'logarithmic',
  axisWords: 'a log',
  isStraight: false,
  hasBase: true,
  isDefinedAt: value => value > 0,
  make: logScale,
};
