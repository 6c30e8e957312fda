/** Sums of numbers by code, missing ones passed over; missing where a code has none. Cost: one pass. */
export function sumsByCode(data: Float64Array, codes: Int32Array, count: number): Float64Array {
  const sums = new Float64Array(count).fill(NaN);
  for (let row = 0; row < data.length; row++) {
    const [code, value] = [codes[row] as number, data[row] as number];
    if (code < 0 || value !== value) continue;
    const sum = sums[code] as number;
    sums[code] = sum === sum ? sum + value : value;
  }
  return sums;
}
