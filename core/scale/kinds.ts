import { piecesOf, type Piece } from './broken-scale';
import { alignedZeros } from './linear-scale';
import { kinds } from './registry';
import type { ScaleKind, Straight, Stretch, ValueScale } from './scale';

// The registry holds each kind with its own scales; what comes in says which it is.
const kindOf = (scale: ValueScale): ScaleKind<ValueScale> => kinds[scale.kind];

/**
 * Where a value stands along its axis: 0 at the low end, 1 at the high one, beyond them where it lies beyond. Missing stays missing; what has no place
 * on a log scale lies infinitely far below. What draws knows positions alone, whatever the scale.
 */
export const positionOf = (scale: ValueScale, value: number): number => kindOf(scale).position(scale, value);

/** The value at a position; the other way round than `positionOf`. */
export const valueAt = (scale: ValueScale, position: number): number => kindOf(scale).value(scale, position);

/** Whether a value has a place at all; zero and what lies below it has none on a log scale. Missing has none to ask for. */
export const hasPlace = (scale: ValueScale, value: number): boolean => positionOf(scale, value) !== -Infinity;

/** The positions of many values. Cost: one pass. */
export function positionsOf(scale: ValueScale, values: Float64Array): Float64Array {
  const out = new Float64Array(values.length);
  kindOf(scale).positions(scale, values, out);
  return out;
}

/** The straight way of a scale that has one, for passes over thousands of marks: `from + value * perUnit` is the position; null for the others. */
export const straightOf = (scale: ValueScale): Straight | null => kindOf(scale).straight(scale);

/** The scale as an adjective, and the values that it has no place for: "logarithmic", "at or below zero". */
export const scaleWords = (scale: ValueScale): Pick<ScaleKind<ValueScale>, 'words' | 'noPlace'> => kindOf(scale);

/** The note that a reader needs about a scale; empty for a linear one. */
export const describeScale = (scale: ValueScale, write: (value: number) => string): string => kindOf(scale).describe(scale, write);

/** Ticks without numbers, between the others. */
export const minorTicksOf = (scale: ValueScale): readonly number[] => ('minor' in scale ? scale.minor : []);

/** The same scale for values so many times as large: each stands where it stood. `factor`: above 0. */
export const scaleTimes = (scale: ValueScale, factor: number): ValueScale => kindOf(scale).times(scale, factor);

/** Whether ticks stand at even steps of value, so that their numbers share their decimals. */
export const hasEvenTicks = (scale: ValueScale): boolean => kindOf(scale).hasEvenTicks;

/** What an axis leaves out: the stretches of a broken scale; none for the others. */
export const stretchesOf = (scale: ValueScale): readonly Stretch[] => ('stretches' in scale ? scale.stretches : []);

/** The straight pieces that a broken scale is made of; none of the others. */
export const straightPieces = (scale: ValueScale): readonly Piece[] => (scale.kind === 'broken' ? piecesOf(scale) : []);

/** The power that a tick of a logarithmic scale is, or null where it is none: 10⁴ is a 4 to base 10. */
export function powerAt(scale: ValueScale, tick: number): { readonly base: number; readonly exponent: number } | null {
  if (!('base' in scale) || tick <= 0) return null;
  const exponent = Math.log(tick) / Math.log(scale.base);
  const whole = Math.round(exponent);
  return Math.abs(exponent - whole) < 1e-9 ? { base: scale.base, exponent: whole } : null;
}

/** Two scales with their zeros at one height, where both are linear; as they were where one is not. `steps`: from tick to tick, where decided. */
export const zerosAligned = (
  first: ValueScale,
  second: ValueScale,
  steps: readonly [number | null, number | null],
): readonly [ValueScale, ValueScale] =>
  first.kind === 'linear' && second.kind === 'linear' ? alignedZeros(first, second, steps) : [first, second];
