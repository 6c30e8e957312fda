/** The fields of every scale: its ends in data units, the low one first, and its ticks between them, sorted ascending. */
interface ScaleEnds {
  readonly low: number;
  readonly high: number;
  readonly ticks: readonly number[];
}

/** Equal steps of value are equal steps along the axis. */
export interface LinearScale extends ScaleEnds {
  readonly kind: 'linear';
}

/** Equal factors are equal steps along the axis; zero and what lies below it has no place. */
export interface LogScale extends ScaleEnds {
  readonly kind: 'log';
  /** Above 1. */
  readonly base: number;
  /** Between the ticks, without numbers. */
  readonly minor: readonly number[];
}

/** Logarithmic away from zero on both sides, and straight about it: sign(v) · ln(1 + |v| / about). */
export interface SymlogScale extends ScaleEnds {
  readonly kind: 'symlog';
  readonly base: number;
  /** Up to here, on both sides of zero, it is as good as straight; above 0. */
  readonly about: number;
  readonly minor: readonly number[];
}

/** A part of a broken scale that is drawn: from value to value, from position to position. */
export interface Stretch {
  readonly low: number;
  readonly high: number;
  readonly from: number;
  readonly to: number;
}

/** Linear within each of its stretches; what lies between two of them is pressed into the room of a break mark. */
export interface BrokenScale extends ScaleEnds {
  readonly kind: 'broken';
  /** Rising; at least two. */
  readonly stretches: readonly Stretch[];
}

/** A value scale, as plain data: it crosses threads, and is kept in plans. */
export type ValueScale = LinearScale | LogScale | SymlogScale | BrokenScale;

/** A straight way from values to positions: `from` at the value 0, and so much further for each unit. */
export interface Straight {
  readonly from: number;
  readonly perUnit: number;
}

/** The operations of a kind of scale. A new kind is an entry in `kinds`. */
export interface ScaleKind<S extends ValueScale> {
  /** Where a value stands: 0 at the low end, 1 at the high one, beyond them where it lies beyond. Rises with the value. */
  position(scale: S, value: number): number;
  /** The value at a position; the other way round. */
  value(scale: S, position: number): number;
  /** The positions of many values in one pass; missing stays missing. */
  positions(scale: S, values: Float64Array, out: Float64Array): void;
  /** Its straight way; null where it has none. */
  straight(scale: S): Straight | null;
  /** The same scale for values so many times as large: each stands where it stood. */
  times(scale: S, factor: number): S;
  /** The note that a reader needs about it; empty when nothing needs saying. `write`: a value in words. */
  describe(scale: S, write: (value: number) => string): string;
}
