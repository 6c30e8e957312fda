/** A linear value scale: its bounds in data units and its ticks, rising. */
export interface LinearScale {
  readonly low: number;
  readonly high: number;
  readonly ticks: readonly number[];
}

export interface LinearScaleOptions {
  /** Wanted number of steps; the result comes near it. */
  readonly steps?: number;
  /** Zero belongs to the scale: right for bars, whose length is read. */
  readonly zero?: boolean;
  /** Share of the span kept free beyond the data on a side that has data beyond zero, for labels. */
  readonly headroom?: number;
  /** Bounds of the analyst's own, in data units; ticks stay round within them. */
  readonly low?: number | null;
  readonly high?: number | null;
}

/**
 * A scale around the data with round ticks (1, 2, 2.5 or 5 times a power of ten).
 * Missing values are passed over; without any value the scale is 0 to 1.
 */
export function linearScale(values: ArrayLike<number>, options: LinearScaleOptions = {}): LinearScale {
  const { steps = 5, zero = true, headroom = 0 } = options;
  const [low, high] = bounded(
    padded(extent(values instanceof Float64Array ? values : Float64Array.from(values), zero), headroom, zero),
    options,
  );
  const step = niceStep((high - low) / steps);
  // With headroom the scale ends where the room does, else at the next tick.
  const from = hasBound(options.low) || (headroom && low < 0) ? low : tidy(Math.floor(low / step + 1e-9) * step, step);
  const to = hasBound(options.high) || (headroom && high > 0) ? high : tidy(Math.ceil(high / step - 1e-9) * step, step);
  const [first, last] = [Math.ceil(from / step - 1e-9), Math.floor(to / step + 1e-9)];
  return { low: from, high: to, ticks: Array.from({ length: last - first + 1 }, (_, i) => tidy((first + i) * step, step)) };
}

// One kind of array in the loop: it runs over every value at each edit.
function extent(values: Float64Array, zero: boolean): [number, number] {
  let low = zero ? 0 : Infinity;
  let high = zero ? 0 : -Infinity;
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (low > high) return [0, 1];
  if (low === high) return low === 0 ? [0, 1] : [Math.min(low, 0), Math.max(high, 0)];
  return [low, high];
}

function padded([low, high]: [number, number], headroom: number, zero: boolean): [number, number] {
  const room = (high - low) * headroom;
  return [zero && low >= 0 ? low : low - room, zero && high <= 0 ? high : high + room];
}

const hasBound = (bound: number | null | undefined): bound is number => bound !== null && bound !== undefined;

/** Bounds that cross each other or the data's other end leave a scale of width one. */
function bounded([low, high]: [number, number], options: LinearScaleOptions): [number, number] {
  const [from, to] = [options.low ?? low, options.high ?? high];
  return from < to ? [from, to] : hasBound(options.low) ? [from, from + 1] : [to - 1, to];
}

/** Two scales with their zeros at the same height; each reaches as far as before, and further where the other needs it. */
export function alignedZeros(first: LinearScale, second: LinearScale): [LinearScale, LinearScale] {
  const below = Math.max(...[first, second].map(({ low, high }) => -Math.min(0, low) / (Math.max(0, high) - Math.min(0, low))));
  return [withZeroAt(first, below), withZeroAt(second, below)];
}

/** The scale widened so that zero lies at a share of its height. */
function withZeroAt({ low, high }: LinearScale, share: number): LinearScale {
  const [up, down] = [Math.max(0, high), Math.max(0, -low)];
  const span = Math.max(share < 1 ? up / (1 - share) : 0, share > 0 ? down / share : 0) || 1;
  return linearScale([], { low: -share * span, high: (1 - share) * span });
}

function niceStep(rough: number): number {
  const power = 10 ** Math.floor(Math.log10(rough));
  const share = rough / power;
  const factor = [1, 2, 2.5, 5, 10].find(candidate => share <= candidate * (1 + 1e-9)) ?? 10;
  return factor * power;
}

// Multiples of 0.1 pick up dust in binary; the step tells how many decimals are real.
function tidy(value: number, step: number): number {
  const decimals = Math.max(0, Math.min(20, 2 - Math.floor(Math.log10(step))));
  return Number(value.toFixed(decimals)) + 0;
}
