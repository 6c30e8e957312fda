import type { LinearScale, ScaleKind } from './scale';

/** `kept`: zero belongs to the scale; `out`: it does not, unless values lie on both sides of it; `free`: as the round ends fall. */
export type ZeroChoice = 'kept' | 'out' | 'free';

/** Constraints on the ends of a scale. */
export interface Limits {
  /** Bounds of the analyst's own, in data units; ticks stay round within them. */
  readonly low?: number | null;
  readonly high?: number | null;
  /** Limits that headroom and rounding never pass; the data itself may. */
  readonly ceiling?: number | null;
  readonly floor?: number | null;
}

/** Constraints on the ends of a linear scale. */
export interface LinearScaleOptions extends Limits {
  /** Wanted number of steps; the result comes near it. Five or fewer unless said. */
  readonly steps?: number;
  readonly zero?: ZeroChoice;
  /** Share of the span kept free beyond the data, for labels; never across zero where nothing lies beyond it. */
  readonly headroom?: number;
  /** The same in data units, instead. */
  readonly headroomBy?: number | null;
  /** From one tick to the next, in data units; one that would make too many is passed over. */
  readonly step?: number | null;
}

// More numbers than this are no axis.
const MOST_TICKS = 200;

/**
 * A scale around the data with round ticks (1, 2, 2.5 or 5 times a power of ten).
 * Missing values are passed over; without any value the scale is 0 to 1.
 */
export function linearScale(values: ArrayLike<number>, options: LinearScaleOptions = {}): LinearScale {
  const { zero = 'kept' } = options;
  const data = extent(values instanceof Float64Array ? values : Float64Array.from(values), zero);
  const seen = measurable(bounded(data, options));
  const room = roomOf(seen, options);
  const [low, high] = measurable(limited(padded(seen, data, room, options), data, options));
  const step = stepOf(low, high, options);
  // With headroom the scale ends where the room does, else at the next tick.
  const from = hasBound(options.low) || (room && low < 0) ? low : roundedEnd(low, step, Math.floor);
  const to = hasBound(options.high) || (room && high > 0) ? high : roundedEnd(high, step, Math.ceil);
  const rounded = limited([from, to], data, options);
  const ends = zero === 'out' ? besideZero(rounded, [low, high], data, options) : rounded;
  return { kind: 'linear', low: ends[0], high: ends[1], ticks: ticksOf(ends, step) };
}

/** Round numbers between two ends, so many or a few more or less. */
export const ticksBetween = (low: number, high: number, steps = 5): number[] => ticksOf([low, high], niceStep((high - low) / steps));

function stepOf(low: number, high: number, { steps, step }: LinearScaleOptions): number {
  const span = high - low;
  if (step && step > 0 && span / step <= MOST_TICKS) return step;
  return steps === undefined ? niceStep(span / STEPS) : nearestStep(span, steps);
}

// Steps of an axis that nobody has counted.
const STEPS = 5;

/** The round step that makes as nearly so many as can be. */
function nearestStep(span: number, steps: number): number {
  const above = niceStep(span / steps);
  const below = niceStep((above / 2.5) * (1 - 1e-6));
  const off = (step: number): number => Math.abs(span / step - steps);
  return [above, below].reduce((best, step) => (off(step) < off(best) ? step : best));
}

/** Room beyond the data, in data units. */
const roomOf = ([low, high]: readonly [number, number], { headroom = 0, headroomBy }: LinearScaleOptions): number =>
  headroomBy ?? (high - low) * headroom;

/** Ends brought back to ceiling and floor where the data itself does not pass them. */
export function limited(
  [low, high]: readonly [number, number],
  data: readonly [number, number],
  { ceiling, floor, ...bounds }: Limits,
): [number, number] {
  const top = hasBound(ceiling) && !hasBound(bounds.high) ? Math.min(high, Math.max(ceiling, data[1])) : high;
  const bottom = hasBound(floor) && !hasBound(bounds.low) ? Math.max(low, Math.min(floor, data[0])) : low;
  return bottom < top ? [bottom, top] : [low, high];
}

const roundedEnd = (end: number, step: number, round: (value: number) => number): number =>
  tidy(round(end / step + (round === Math.floor ? 1e-9 : -1e-9)) * step, step);

function ticksOf([from, to]: readonly [number, number], step: number): number[] {
  const [first, last] = [Math.ceil(from / step - 1e-9), Math.floor(to / step + 1e-9)];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => tidy((first + i) * step, step));
}

// One kind of array in the loop: it runs over every value at each edit.
function extent(values: Float64Array, zero: ZeroChoice): [number, number] {
  let low = zero === 'kept' ? 0 : Infinity;
  let high = zero === 'kept' ? 0 : -Infinity;
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (low > high) return [0, 1];
  if (low !== high) return [low, high];
  if (low === 0) return [0, 1];
  // One value alone: seen from zero, or, without it, with a tenth of itself on both sides.
  return zero === 'out' ? [low - Math.abs(low) / 10, high + Math.abs(high) / 10] : [Math.min(low, 0), Math.max(high, 0)];
}

const hasBound = (bound: number | null | undefined): bound is number => bound !== null && bound !== undefined;

/** Bounds that cross each other or the data's other end leave a scale of width one. */
function bounded([low, high]: [number, number], options: LinearScaleOptions): [number, number] {
  const [from, to] = [options.low ?? low, options.high ?? high];
  return from < to
    ? [from, to]
    : hasBound(options.low)
      ? [from, from + Math.max(1, Math.abs(from) * 1e-9)]
      : [to - Math.max(1, Math.abs(to) * 1e-9), to];
}

// Share of the span between the axis' end and the data where zero is left out.
const BESIDE_ZERO = 0.05;

/** Room on the sides that have no bound, measured by what the scale shows; where nothing lies below zero, or above it, none is made there. */
function padded(
  [low, high]: [number, number],
  data: readonly [number, number],
  room: number,
  options: LinearScaleOptions,
): [number, number] {
  // Without zero the mark next to it would have no length, and look like a missing one.
  const beside = options.zero === 'out' ? (high - low) * BESIDE_ZERO : 0;
  const down = hasBound(options.low) ? low : data[0] >= 0 ? Math.max(0, low - Math.max(room, beside)) : low - room;
  const up = hasBound(options.high) ? high : data[1] <= 0 ? Math.min(0, high + Math.max(room, beside)) : high + room;
  return [down, up];
}

// Below this a step between ticks has no power of ten; beyond that a span is no number.
const LEAST_SPAN = 1e-290;
const MOST = 4e307;

/** A span that arithmetic can measure, whatever the data. */
function measurable([low, high]: [number, number]): [number, number] {
  const [from, to] = [Math.max(-MOST, Math.min(low, MOST)), Math.max(-MOST, Math.min(high, MOST))];
  const least = Math.max(LEAST_SPAN, Math.max(Math.abs(from), Math.abs(to)) * 1e-15);
  if (to - from >= least) return [from, to];
  return from >= MOST - least ? [from - least, from] : [from, from + least];
}

/** Ends that rounding brought to zero, or past it, come back to the side that the data lies on. */
function besideZero(
  [from, to]: [number, number],
  [low, high]: [number, number],
  data: readonly [number, number],
  options: LinearScaleOptions,
): [number, number] {
  const [least, most] = data;
  if (least > 0 && from <= 0 && !hasBound(options.low)) return [Math.max(least / 2, low), to];
  if (most < 0 && to >= 0 && !hasBound(options.high)) return [from, Math.min(most / 2, high)];
  return [from, to];
}

/** Two scales with their zeros at the same height; each reaches as far as before, and further where the other needs it. `steps`: those of the analyst's own. */
export function alignedZeros(
  first: LinearScale,
  second: LinearScale,
  [one, other]: readonly [number | null, number | null] = [null, null],
): [LinearScale, LinearScale] {
  const below = Math.max(...[first, second].map(({ low, high }) => -Math.min(0, low) / (Math.max(0, high) - Math.min(0, low))));
  return [withZeroAt(first, below, one), withZeroAt(second, below, other)];
}

/** The scale widened so that zero lies at a share of its height. */
function withZeroAt({ low, high }: LinearScale, share: number, step: number | null): LinearScale {
  const [up, down] = [Math.max(0, high), Math.max(0, -low)];
  const span = Math.max(share < 1 ? up / (1 - share) : 0, share > 0 ? down / share : 0) || 1;
  return linearScale([], { low: -share * span + 0, high: (1 - share) * span, step });
}

function niceStep(rough: number): number {
  const power = 10 ** Math.floor(Math.log10(rough));
  const share = rough / power;
  const factor = [1, 2, 2.5, 5, 10].find(candidate => share <= candidate * (1 + 1e-9)) ?? 10;
  return factor * power;
}

// Multiples of 0.1 pick up dust in binary; the step tells how many decimals are real.
function tidy(value: number, step: number): number {
  const decimals = 2 - Math.floor(Math.log10(step));
  // So many decimals cannot be written out, and so large a number has none.
  return (decimals > 100 || decimals < 0 ? value : Number(value.toFixed(decimals))) + 0;
}

/** Numbers times a factor, without the dust of the multiplication. */
export const timesAll = (values: readonly number[], factor: number): number[] =>
  values.map(value => Number((value * factor).toPrecision(15)));

/** How a linear scale places: (value − low) / (high − low). */
export const linearKind: ScaleKind<LinearScale> = {
  words: 'linear',
  noPlace: '',
  hasEvenTicks: true,
  position: ({ low, high }, value) => (value - low) / (high - low),
  value: ({ low, high }, position) => low + position * (high - low),
  positions({ low, high }, values, out) {
    const perUnit = 1 / (high - low);
    for (let i = 0; i < values.length; i++) out[i] = ((values[i] as number) - low) * perUnit;
  },
  straight: ({ low, high }) => ({ from: -low / (high - low), perUnit: 1 / (high - low) }),
  times: ({ low, high, ticks }, factor) => ({ kind: 'linear', low: low * factor, high: high * factor, ticks: timesAll(ticks, factor) }),
  describe: () => '',
};
