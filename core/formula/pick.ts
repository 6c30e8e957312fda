import { lengthFor, strideOf, type BooleanVec, type NumericVec, type Vec } from './vec';

/** `case when left = right then number end` in one flat pass. */
export function pickEqual([left, right, then]: readonly [NumericVec, NumericVec, NumericVec], rows: number): Vec {
  const data = new Float64Array(lengthFor(rows, left, right, then));
  const [a, b, c] = [left.data, right.data, then.data];
  const [as, bs, cs] = [strideOf(left), strideOf(right), strideOf(then)];
  // A missing operand is NaN, which equals nothing. A column against a column or one value is the common case, and twice as fast without strides.
  if (as === 1 && cs === 1 && bs === 1)
    for (let row = 0; row < data.length; row++) data[row] = a[row] === b[row] ? (c[row] as number) : NaN;
  else if (as === 1 && cs === 1) {
    const value = b[0];
    for (let row = 0; row < data.length; row++) data[row] = a[row] === value ? (c[row] as number) : NaN;
  } else for (let row = 0; row < data.length; row++) data[row] = a[row * as] === b[row * bs] ? (c[row * cs] as number) : NaN;
  return { type: 'number', data, constant: left.constant && right.constant && then.constant };
}

/** `case when tested is null then number end` in one flat pass. */
export function pickMissing(tested: NumericVec, then: NumericVec, rows: number): Vec {
  const data = new Float64Array(lengthFor(rows, tested, then));
  const [a, c] = [tested.data, then.data];
  const [as, cs] = [strideOf(tested), strideOf(then)];
  if (as === 1 && cs === 1)
    for (let row = 0; row < data.length; row++) {
      const value = a[row] as number;
      data[row] = value !== value ? (c[row] as number) : NaN;
    }
  else
    for (let row = 0; row < data.length; row++) {
      const value = a[row * as] as number;
      data[row] = value !== value ? (c[row * cs] as number) : NaN;
    }
  return { type: 'number', data, constant: tested.constant && then.constant };
}

/** `case when … then number end` in one flat pass. */
export function pickWhere(when: BooleanVec, then: NumericVec, rows: number): Vec {
  const data = new Float64Array(rows);
  const [ws, ts] = [strideOf(when), strideOf(then)];
  for (let row = 0; row < rows; row++) data[row] = when.data[row * ws] === 1 ? (then.data[row * ts] as number) : NaN;
  return { type: then.type, data, constant: false };
}
