/** Days since 1970-01-01 for a date; milliseconds since then, in UTC, for a timestamp. */
export type NumericType = 'number' | 'date' | 'timestamp';
export type ColumnType = NumericType | 'text' | 'boolean';

/** Numbers, dates (days) and timestamps (UTC milliseconds). Missing: `NaN`. */
export interface NumericValues {
  readonly type: NumericType;
  readonly data: Float64Array;
}

/** Text as codes into a dictionary of distinct texts. Missing: code −1. */
export interface TextValues {
  readonly type: 'text';
  readonly data: Int32Array;
  readonly dictionary: readonly string[];
}

/** 0 false, 1 true. Missing: 2. */
export interface BooleanValues {
  readonly type: 'boolean';
  readonly data: Uint8Array;
}

/** The values of one column in columnar typed memory, without a name. */
export type Values = NumericValues | TextValues | BooleanValues;

/** A named column. Everything in it is read-only; edits make a new one. */
export type Column = Values & { readonly name: string };

export const MISSING_TEXT = -1;
export const MISSING_BOOLEAN = 2;

/** One cell as plain data: dates as ISO text, missing as null. */
export type Cell = number | string | boolean | null;

export const isNumeric = (values: Values): values is NumericValues => values.type !== 'text' && values.type !== 'boolean';

export function isMissing(values: Values, row: number): boolean {
  if (values.type === 'text') return values.data[row] === MISSING_TEXT;
  if (values.type === 'boolean') return values.data[row] === MISSING_BOOLEAN;
  return Number.isNaN(values.data[row]);
}
