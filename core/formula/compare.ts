import { isMissing, MISSING_BOOLEAN } from 'core/table';
import type { CompareOp } from './ast';
import { comparableNumbers } from './text-order';
import { lengthFor, strideOf, type BooleanVec, type TextVec, type Vec } from './vec';

/** Three-valued comparison: missing on either side gives missing. Text compares by code point. */
export function compareVecs(sign: CompareOp, left: Vec, right: Vec, rows: number): BooleanVec {
  const n = lengthFor(rows, left, right);
  const [a, b] = comparableData(left, right);
  const out = new Uint8Array(n);
  compareInto(sign, a, strideOf(left), b, strideOf(right), out);
  return { type: 'boolean', data: out, constant: left.constant && right.constant };
}

/** `is [not] distinct from`: never missing; two missing values are not distinct. */
export function distinctVecs(left: Vec, right: Vec, rows: number, negated: boolean): BooleanVec {
  const equal = compareVecs('=', left, right, rows);
  const [ls, rs] = [strideOf(left), strideOf(right)];
  const data = equal.data.map((same, i) => {
    const distinct = same === MISSING_BOOLEAN ? isMissing(left, i * ls) !== isMissing(right, i * rs) : same === 0;
    return Number(distinct !== negated);
  });
  return { ...equal, data };
}

function comparableData(left: Vec, right: Vec): [Float64Array, Float64Array] {
  if (left.type === 'text') return comparableNumbers(left, right as TextVec);
  return [asFloats(left), asFloats(right)];
}

const asFloats = (vec: Vec): Float64Array =>
  vec.type === 'boolean' ? Float64Array.from(vec.data, value => (value === MISSING_BOOLEAN ? NaN : value)) : (vec.data as Float64Array);

// The sign never changes within the loop, so the branch on it costs next to nothing.
function compareInto(sign: CompareOp, a: Float64Array, as: number, b: Float64Array, bs: number, out: Uint8Array): void {
  const n = out.length;
  for (let i = 0; i < n; i++) {
    const x = a[i * as] as number;
    const y = b[i * bs] as number;
    if (x !== x || y !== y) out[i] = MISSING_BOOLEAN;
    else if (sign === '=') out[i] = x === y ? 1 : 0;
    else if (sign === '<>') out[i] = x !== y ? 1 : 0;
    else if (sign === '<') out[i] = x < y ? 1 : 0;
    else if (sign === '<=') out[i] = x <= y ? 1 : 0;
    else if (sign === '>') out[i] = x > y ? 1 : 0;
    else out[i] = x >= y ? 1 : 0;
  }
}
