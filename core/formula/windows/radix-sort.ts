const DIGIT_BITS = 16;
const DIGITS = 1 << DIGIT_BITS;

/**
 * Row numbers sorted by several columns of numbers, the first the most important; equal rows keep the order they come in.
 *
 * @param columns each as long as the table; no NaN, infinities allowed
 * Method: least-significant-digit radix sort over 16-bit digits; a digit that all rows share is skipped, so whole numbers of
 * a small range cost one or two passes. Cost: O(n) per digit.
 */
export function radixSort(columns: readonly Float64Array[], rows: Int32Array): Int32Array {
  let order = rows;
  let spare: Int32Array = new Int32Array(rows.length);
  for (let c = columns.length - 1; c >= 0; c--) {
    for (const digits of digitsOf(columns[c] as Float64Array)) {
      if (!pass(digits, order, spare)) continue;
      [order, spare] = [spare, order];
    }
  }
  return order;
}

/** The digits of a column's keys, least significant first; digits equal in all rows are left out. */
function digitsOf(column: Float64Array): Uint16Array[] {
  return wholeDigits(column) ?? floatDigits(column);
}

/** Integers within 2³² of each other: one or two digits above the smallest. */
function wholeDigits(column: Float64Array): Uint16Array[] | undefined {
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < column.length; i++) {
    const value = column[i] as number;
    if (value === Infinity) continue;
    if (value !== Math.floor(value) || value === -Infinity) return undefined;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const span = high - low + 1;
  if (!(span < 2 ** 32 - 1)) return high === -Infinity ? [] : undefined;
  const small = new Uint16Array(column.length);
  const large = span >= DIGITS ? new Uint16Array(column.length) : undefined;
  for (let i = 0; i < column.length; i++) {
    const value = column[i] as number;
    const offset = value === Infinity ? span : value - low;
    small[i] = offset;
    if (large) large[i] = offset / DIGITS;
  }
  return large ? [small, large] : [small];
}

/** The bits of a float, turned so that they count up as the numbers do. */
function floatDigits(column: Float64Array): Uint16Array[] {
  const words = new Uint16Array(column.buffer, column.byteOffset, column.length * 4);
  const digits = [0, 1, 2, 3].map(() => new Uint16Array(column.length));
  for (let i = 0; i < column.length; i++) {
    const top = words[i * 4 + 3] as number;
    // A negative number's bits are all turned over, a positive one's sign alone.
    const [rest, sign] = top & 0x8000 ? [0xffff, 0xffff] : [0, 0x8000];
    (digits[0] as Uint16Array)[i] = (words[i * 4] as number) ^ rest;
    (digits[1] as Uint16Array)[i] = (words[i * 4 + 1] as number) ^ rest;
    (digits[2] as Uint16Array)[i] = (words[i * 4 + 2] as number) ^ rest;
    (digits[3] as Uint16Array)[i] = top ^ sign;
  }
  return digits;
}

/** One stable counting pass from `order` into `into`; false, and nothing moved, when every row has the same digit. */
function pass(digits: Uint16Array, order: Int32Array, into: Int32Array): boolean {
  const counts = new Int32Array(DIGITS + 1);
  for (let i = 0; i < digits.length; i++) counts[(digits[i] as number) + 1]!++;
  if (digits.length === 0 || counts[(digits[0] as number) + 1] === digits.length) return false;
  for (let digit = 0; digit < DIGITS; digit++) counts[digit + 1] = (counts[digit + 1] as number) + (counts[digit] as number);
  for (let i = 0; i < order.length; i++) {
    const row = order[i] as number;
    const digit = digits[row] as number;
    const place = counts[digit] as number;
    into[place] = row;
    counts[digit] = place + 1;
  }
  return true;
}
