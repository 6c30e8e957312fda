import { MISSING_TEXT, valuesFrom, type Cell, type Values } from 'core/table';
import type { TypedType } from '../check/types';

/** Values during evaluation: one per row, or one for all rows (`constant`, length 1). */
export type Vec = Values & { readonly constant: boolean };
/** Numbers, dates or timestamps of a formula. */
export type NumericVec = Extract<Vec, { readonly data: Float64Array }>;
/** Texts of a formula. */
export type TextVec = Extract<Vec, { readonly type: 'text' }>;
/** Booleans of a formula, missing included. */
export type BooleanVec = Extract<Vec, { readonly type: 'boolean' }>;

/** Values with one entry per row. */
export const varying = (values: Values): Vec => ({ ...values, constant: false });

/** One value for all rows. A bare missing value becomes a missing number. */
export function constantVec(type: TypedType, value: Cell): Vec {
  return { ...valuesFrom(type === 'null' ? 'number' : type, [value]), constant: true };
}

/** Step through a vector's data: 0 for a constant. */
export const strideOf = (vec: Vec): 0 | 1 => (vec.constant ? 0 : 1);

/** Number of values to compute for some operands: one when all are constant. */
export const lengthFor = (rows: number, ...vecs: readonly Vec[]): number => (vecs.every(vec => vec.constant) ? 1 : rows);

/** The vector with one entry per row. */
export function materialise(vec: Vec, rows: number): Values {
  if (!vec.constant) return vec;
  switch (vec.type) {
    case 'text':
      return { type: 'text', data: new Int32Array(rows).fill(vec.data[0] ?? MISSING_TEXT), dictionary: vec.dictionary };
    case 'boolean':
      return { type: 'boolean', data: new Uint8Array(rows).fill(vec.data[0] as number) };
    default:
      return { type: vec.type, data: new Float64Array(rows).fill(vec.data[0] as number) };
  }
}
