import { isMissing, MISSING_BOOLEAN, MISSING_TEXT } from 'core/table';
import type { CompareOp } from '../tree/ast';
import { comparableNumbers } from './text-order';
import { lengthFor, strideOf, type BooleanVec, type TextVec, type Vec } from './vec';

/** Three-valued comparison: missing on either side gives missing. Texts compare by code point. */
export function compareVecs(sign: CompareOp, left: Vec, right: Vec, rows: number): BooleanVec {
  const n = lengthFor(rows, left, right);
  if (left.type === 'text' && right.type === 'text' && right.constant && !left.constant && (sign === '=' || sign === '<>'))
    return { type: 'boolean', data: equalsText(left, right, sign === '='), constant: false };
  const [a, b] = comparableData(left, right);
  const out = new Uint8Array(n);
  compareInto(sign, a, strideOf(left), b, strideOf(right), out);
  return { type: 'boolean', data: out, constant: left.constant && right.constant };
}

/** A text column compared with one text by dictionary codes. */
function equalsText({ data, dictionary }: TextVec, right: TextVec, wanted: boolean): Uint8Array {
  const text = right.dictionary[right.data[0] as number];
  const out = new Uint8Array(data.length);
  if (text === undefined) return out.fill(MISSING_BOOLEAN);
  const code = dictionary.indexOf(text);
  // An answer for each text, and before the first the one for a missing text: looked up, rows cost no branch.
  const answers = new Uint8Array(dictionary.length - MISSING_TEXT).fill(wanted ? 0 : 1);
  answers[0] = MISSING_BOOLEAN;
  if (code !== -1) answers[code - MISSING_TEXT] = wanted ? 1 : 0;
  for (let row = 0; row < data.length; row++) out[row] = answers[(data[row] as number) - MISSING_TEXT] as number;
  return out;
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
