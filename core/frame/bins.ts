import type { NumericValues } from 'core/table';

/**
 * Bins of one width, counted from zero. A width such as 0.1 has no exact binary form, so a bin's lower end is the quotient of two
 * whole numbers: the double that the decimal number itself has. `5.1` is the lower end of its own bin, and so is every other end.
 */
export interface Bins {
  /** The bin of a value: its lower end belongs to it, its upper end to the next. */
  readonly indexOf: (value: number) => number;
  /** The exact lower end of a bin. */
  readonly lowerEnd: (index: number) => number;
}

/** Every number as the lower end of its bin, missing stays missing. Cost: O(n). */
export function binsOf(width: number): Bins {
  const { whole, per } = asFraction(width);
  const lowerEnd = (index: number): number =>
    (Math.abs(index * whole) <= Number.MAX_SAFE_INTEGER ? (index * whole) / per : index * width) + 0;
  const indexOf = (value: number): number => {
    let index = Math.floor(value / width);
    // The quotient is off by a last bit at most: the true bin is this one or a neighbour.
    if (value >= lowerEnd(index + 1)) index++;
    else if (value < lowerEnd(index)) index--;
    return index;
  };
  return { indexOf, lowerEnd };
}

/** A number as a whole number over a power of ten, read from its shortest decimal form. */
export function asFraction(value: number): { whole: number; per: number } {
  const [digits = '', exponent = '0'] = String(value).split('e');
  const [before = '', after = ''] = digits.split('.');
  const power = after.length - Number(exponent);
  // Beyond 22 a power of ten is no longer exact.
  if (power <= 0 || power > 22) return { whole: value, per: 1 };
  return { whole: Number(before + after), per: 10 ** power };
}

/** The given width, or a round one that makes about ten bins of the column. */
export function binWidth(column: NumericValues, width: number | null): number {
  if (width !== null) return width;
  const [low, high] = extentOf(column);
  const rough = (high - low) / 10;
  if (!(rough > 0)) return 1;
  const power = Math.floor(Math.log10(rough));
  const factor = [1, 2, 5, 10].find(candidate => rough <= candidate * 10 ** power) ?? 10;
  return Number(`${factor}e${power}`);
}

/** Smallest and largest value; `[Infinity, -Infinity]` when all are missing. */
export function extentOf({ data }: NumericValues): [low: number, high: number] {
  let [low, high] = [Infinity, -Infinity];
  for (const value of data) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return [low, high];
}
