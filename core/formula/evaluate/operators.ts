import { MISSING_BOOLEAN } from 'core/table';
import type { ArithmeticOp } from '../tree/ast';
import { lengthFor, strideOf, type BooleanVec, type NumericVec } from './vec';

/** The negative of each number; missing stays missing. */
export const runNegate = (arg: NumericVec): NumericVec => ({ ...arg, data: arg.data.map(value => -value) });

/** True becomes false and false true; missing stays missing. */
export const runNot = (arg: BooleanVec): BooleanVec => ({
  ...arg,
  data: arg.data.map(value => (value === MISSING_BOOLEAN ? MISSING_BOOLEAN : 1 - value)),
});

/** `is true`, `is not false` and so on: never missing. */
export const isTruth = (arg: BooleanVec, truth: boolean, negated: boolean): BooleanVec => ({
  ...arg,
  data: arg.data.map(value => Number((value === Number(truth)) !== negated)),
});

/** Missing on either side gives missing, and so does a result that is not finite (division by zero). */
export function runArithmetic(sign: ArithmeticOp, left: NumericVec, right: NumericVec, rows: number): NumericVec {
  const data = new Float64Array(lengthFor(rows, left, right));
  const [ls, rs] = [strideOf(left), strideOf(right)];
  for (let i = 0; i < data.length; i++) {
    const value = arithmetic(sign, left.data[i * ls] as number, right.data[i * rs] as number);
    data[i] = Number.isFinite(value) ? value : NaN;
  }
  return { type: 'number', data, constant: left.constant && right.constant };
}

const MS_PER_DAY = 86_400_000;

/** Days from one moment to another; fractions of a day for timestamps. */
export function runDaysBetween(left: NumericVec, right: NumericVec, rows: number): NumericVec {
  const days = runArithmetic('-', left, right, rows);
  return left.type === 'timestamp' ? { ...days, data: days.data.map(ms => ms / MS_PER_DAY) } : days;
}

function arithmetic(sign: ArithmeticOp, a: number, b: number): number {
  if (sign === '+') return a + b;
  if (sign === '-') return a - b;
  if (sign === '*') return a * b;
  return sign === '/' ? a / b : a % b;
}

const STATES = MISSING_BOOLEAN + 1;

// The answer for every pair of false, true and missing: one false decides what `and` gives, one true what `or` gives.
const TRUTH = { and: truth(0), or: truth(1) };

function truth(decisive: 0 | 1): Uint8Array {
  return Uint8Array.from({ length: STATES * STATES }, (_, pair) => {
    const both = [Math.floor(pair / STATES), pair % STATES];
    return both.includes(decisive) ? decisive : both.includes(MISSING_BOOLEAN) ? MISSING_BOOLEAN : 1 - decisive;
  });
}

/** Three-valued logic: `false and missing` is false, `true or missing` is true, otherwise missing wins. */
export function runLogic(op: 'and' | 'or', left: BooleanVec, right: BooleanVec, rows: number): BooleanVec {
  const answers = TRUTH[op];
  const data = new Uint8Array(lengthFor(rows, left, right));
  const [ls, rs] = [strideOf(left), strideOf(right)];
  for (let i = 0; i < data.length; i++)
    data[i] = answers[(left.data[i * ls] as number) * STATES + (right.data[i * rs] as number)] as number;
  return { type: 'boolean', data, constant: left.constant && right.constant };
}
