import { limited, timesAll } from './linear-scale';
import { baseWord, powerAbove, powerBelow, powerOf, roundedTo, type LogOptions } from './log-scale';
import type { AxisScale, ScaleKind, SymlogScale } from './scale';

// Powers between what counts as about zero and the largest value, at most.
const MOST_POWERS = 6;
// Numbers of the axis, at most, on each side of zero.
const MOST_NUMBERS = 4;

/**
 * A symmetric log scale: logarithmic on both sides of zero and straight about it (Webber, 2013). About zero is the power of the base at or below the
 * smallest value that is not zero, not more than six powers from the largest. Zero always belongs to it. Cost: O(n).
 */
export function symlogScale(values: Float64Array, options: LogOptions = {}): SymlogScale {
  const { base = 10, headroom = 0 } = options;
  const { low, high, least } = extent(values);
  const largest = Math.max(-low, high) || 1;
  const about = powerOf(base, Math.max(powerBelow(Math.min(least, largest), base), powerAbove(largest, base) - MOST_POWERS));
  const scale = { kind: 'symlog' as const, base, about };
  // A share of the whole way, on each side that has data: labels need the same room wherever they stand.
  const room = headroom * (bent(high, about) - bent(low, about));
  const outward = (value: number): number => {
    if (value <= 0) return 0;
    if (headroom > 0) return unbent(bent(value, about) + room, about);
    return value <= about ? about : roundedTo(value, base, 'above');
  };
  const bounds = { low: options.low ?? null, high: options.high ?? null };
  const top = bounds.high ?? outward(high);
  const bottom = bounds.low ?? 0 - outward(-low);
  const inOrder: [number, number] = bottom < top ? [bottom, top] : bounds.low === null ? [top - about, top] : [bottom, bottom + about];
  const [from, to] = limited(inOrder, [low, high], options);
  return { ...scale, low: from, high: to, ...ticksOf(from, to, scale, options.every ?? null) };
}

function extent(values: Float64Array): { low: number; high: number; least: number } {
  let [low, high, least] = [0, 0, Infinity];
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value < low) low = value;
    if (value > high) high = value;
    const size = Math.abs(value);
    if (size > 0 && size < least) least = size;
  }
  return low === 0 && high === 0 ? { low, high: 1, least: 1 } : { low, high, least };
}

function ticksOf(
  low: number,
  high: number,
  { base, about }: Pick<SymlogScale, 'base' | 'about'>,
  every: number | null,
): Pick<SymlogScale, 'ticks' | 'minor'> {
  const first = powerBelow(about, base);
  const last = powerAbove(Math.max(Math.abs(low), Math.abs(high), about), base);
  const exponents = Array.from({ length: Math.max(1, last - first + 1) }, (_, i) => first + i);
  const step = every ?? Math.max(1, Math.ceil(exponents.length / MOST_NUMBERS));
  // Counted from the largest, which must have its number.
  const numbered = exponents.filter(k => (last - k) % step === 0).map(k => powerOf(base, k));
  const rest = exponents.filter(k => (last - k) % step !== 0).map(k => powerOf(base, k));
  const both = (sizes: readonly number[]): number[] =>
    [...sizes.map(size => -size).reverse(), ...sizes].filter(value => value >= low * (1 + 1e-9) && value <= high * (1 + 1e-9));
  const signed = both(numbered);
  const zero = low <= 0 && high >= 0 ? [0] : [];
  return { ticks: [...signed.filter(value => value < 0), ...zero, ...signed.filter(value => value > 0)], minor: both(rest) };
}

const bent = (value: number, about: number): number => Math.sign(value) * Math.log1p(Math.abs(value) / about);
const unbent = (place: number, about: number): number => Math.sign(place) * about * Math.expm1(Math.abs(place));

/** How a symmetric log scale places. */
export const symlogKind: ScaleKind<SymlogScale> = {
  words: 'symmetric log',
  noPlace: '',
  hasEvenTicks: false,
  position({ low, high, about }, value) {
    const from = bent(low, about);
    return (bent(value, about) - from) / (bent(high, about) - from);
  },
  value({ low, high, about }, position) {
    const from = bent(low, about);
    return unbent(from + position * (bent(high, about) - from), about);
  },
  positions({ low, high, about }, values, out) {
    const from = bent(low, about);
    const perUnit = 1 / (bent(high, about) - from);
    for (let i = 0; i < values.length; i++) out[i] = (bent(values[i] as number, about) - from) * perUnit;
  },
  straight: () => null,
  times: ({ low, high, about, ticks, minor, base }, factor) => ({
    kind: 'symlog',
    base,
    about: about * factor,
    low: low * factor,
    high: high * factor,
    ticks: timesAll(ticks, factor),
    minor: timesAll(minor, factor),
  }),
  describe: ({ base, about }, write) =>
    `symmetric log scale to base ${baseWord(base)}, straight up to ${write(about)} on both sides of zero`,
};

/** The symmetric log scale as an axis can be given it. */
export const symlogAxis: AxisScale<LogOptions> = {
  words: 'symmetric log, for values on both sides of zero',
  axisWords: 'a symmetric log',
  isStraight: false,
  hasBase: true,
  isDefinedAt: () => true,
  make: symlogScale,
};
