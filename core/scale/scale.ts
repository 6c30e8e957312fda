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

/** A scale that an axis can be given, with what the brief, bounds and checks need to know of it. They ask for these facts, never for its name. */
export interface AxisScale<Options> {
  /** As the brief offers it: "The axis is …". */
  readonly words: string;
  /** Its name before "axis" in a sentence, with its article. */
  readonly axisWords: string;
  /** Equal differences take equal room: the axis may have steps and breaks, and zero may be left out of it. */
  readonly isStraight: boolean;
  /** Its ticks are powers of a base. */
  readonly hasBase: boolean;
  /** Whether a value has a place on it. */
  readonly isDefinedAt: (value: number) => boolean;
  /** The scale around values. Cost: O(n). */
  readonly make: (values: Float64Array, options: Options) => ValueScale;
}

/** The facts and operations of a kind of scale. A new kind is an entry in `registry.ts`. */
export interface ScaleKind<S extends ValueScale> {
  /** As an adjective: "the axis is logarithmic". */
  readonly words: string;
  /** The values that it has no place for: "at or below zero"; empty where it has a place for all. */
  readonly noPlace: string;
  /** Ticks are at even steps of value, so that their numbers share their decimals. */
  readonly hasEvenTicks: boolean;
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
