import { knowRowsWithValue, rowsWithValue } from 'core/table';
import { lengthFor, strideOf, type BooleanVec, type NumericVec, type Vec } from '../evaluate/vec';

/** `case when left = right then number end` in one flat pass. */
export function pickEqual(operands: readonly [NumericVec, NumericVec, NumericVec], rows: number): Vec {
  const [left, right, then] = operands;
  const constant = left.constant && right.constant && then.constant;
  const data = new Float64Array(lengthFor(rows, left, right, then)).fill(NaN);
  // A missing operand is NaN, which equals nothing. A column against a column or one value is the common case, and twice as fast without strides.
  if (left.constant || then.constant) pickByStride(operands, data);
  else knowRowsWithValue(data, right.constant ? pickValue(left.data, right.data[0], then.data, data) : pickPairs(operands, data));
  return { type: 'number', data, constant };
}

// Rows that were picked, while a pass finds them: few of many, most often.
let found = new Int32Array();

const roomFor = (rows: number): Int32Array => (found = found.length < rows ? new Int32Array(rows) : found);

function pickValue(a: Float64Array, value: number | undefined, c: Float64Array, data: Float64Array): Int32Array {
  const hits = roomFor(data.length);
  let count = 0;
  for (let row = 0; row < data.length; row++) {
    if (a[row] !== value) continue;
    const picked = c[row] as number;
    data[row] = picked;
    if (picked === picked) hits[count++] = row;
  }
  return hits.slice(0, count);
}

function pickPairs([{ data: a }, { data: b }, { data: c }]: readonly [NumericVec, NumericVec, NumericVec], data: Float64Array): Int32Array {
  const hits = roomFor(data.length);
  let count = 0;
  for (let row = 0; row < data.length; row++) {
    if (a[row] !== b[row]) continue;
    const picked = c[row] as number;
    data[row] = picked;
    if (picked === picked) hits[count++] = row;
  }
  return hits.slice(0, count);
}

function pickByStride([left, right, then]: readonly [NumericVec, NumericVec, NumericVec], data: Float64Array): void {
  const [as, bs, cs] = [strideOf(left), strideOf(right), strideOf(then)];
  for (let row = 0; row < data.length; row++) if (left.data[row * as] === right.data[row * bs]) data[row] = then.data[row * cs] as number;
}

/** `case when tested is null then number end`: the numbers without the rows where the other has a value. */
export function pickMissing(tested: NumericVec, then: NumericVec, rows: number): Vec {
  const constant = tested.constant && then.constant;
  if (tested.constant) {
    const isMissing = Number.isNaN(tested.data[0]);
    return isMissing ? then : { type: 'number', data: new Float64Array(then.data.length).fill(NaN), constant };
  }
  const data = then.constant ? new Float64Array(rows).fill(then.data[0] as number) : then.data.slice();
  const there = rowsWithValue(tested);
  for (let i = 0; i < there.length; i++) data[there[i] as number] = NaN;
  return { type: 'number', data, constant };
}

/** `case when … then number end` in one flat pass. */
export function pickWhere(when: BooleanVec, then: NumericVec, rows: number): Vec {
  const data = new Float64Array(rows).fill(NaN);
  const [ws, ts] = [strideOf(when), strideOf(then)];
  // A condition by row is the common case, and few rows hold it.
  if (ws === 1) knowRowsWithValue(data, pickHeld(when.data, then.data, ts, data));
  else if (when.data[0] === 1) for (let row = 0; row < rows; row++) data[row] = then.data[row * ts] as number;
  return { type: then.type, data, constant: false };
}

function pickHeld(when: Uint8Array, then: Float64Array, stride: 0 | 1, data: Float64Array): Int32Array {
  const hits = roomFor(data.length);
  let count = 0;
  for (let row = 0; row < data.length; row++) {
    if (when[row] !== 1) continue;
    const picked = then[row * stride] as number;
    data[row] = picked;
    if (picked === picked) hits[count++] = row;
  }
  return hits.slice(0, count);
}

/** For each row the index of the first condition that is true; `otherwise` where none is. */
export function firstHeld(whens: readonly BooleanVec[], otherwise: number, rows: number): Int16Array {
  const which = new Int16Array(rows).fill(otherwise);
  // From the last on, so that the first has the last word.
  for (let nth = whens.length - 1; nth >= 0; nth--) {
    const when = whens[nth] as BooleanVec;
    if (!when.constant) {
      for (let row = 0; row < rows; row++) if (when.data[row] === 1) which[row] = nth;
    } else if (when.data[0] === 1) which.fill(nth);
  }
  return which;
}
