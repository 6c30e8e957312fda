import { keptPer } from 'core/stages';
/** Days since 1970-01-01 for a date; milliseconds since then, in UTC, for a timestamp. */
export type NumericType = 'number' | 'date' | 'timestamp';
/** What a column holds. */
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

/** The code of a missing text. */
export const MISSING_TEXT = -1;
/** The marker of a missing yes or no. */
export const MISSING_BOOLEAN = 2;

/** One cell as plain data: dates as ISO text, missing as null. */
export type Cell = number | string | boolean | null;

/** Whether values lie in numbers: numbers, dates, timestamps. */
export const isNumeric = (values: Values): values is NumericValues => values.type !== 'text' && values.type !== 'boolean';

/** Whether a raw datum is there: its own test per type, for loops that cannot afford a call by type per row. */
export const missingMarker = (values: Values): number =>
  values.type === 'text' ? MISSING_TEXT : values.type === 'boolean' ? MISSING_BOOLEAN : NaN;

/** The rows that have a value, rising. Kept with the column's memory, which never changes. Cost: one flat pass, once. */
export function rowsWithValue(values: Values): Int32Array {
  let rows = present.get(values.data);
  if (!rows) present.set(values.data, (rows = findPresent(values)));
  return rows;
}

/** The rows that have a value, when building the column has found them: sorted ascending, complete. */
export const knowRowsWithValue = (data: Values['data'], rows: Int32Array): void => void present.set(data, rows);

const present = keptPer<Values['data'], Int32Array>();

function findPresent(values: Values): Int32Array {
  const { data } = values;
  const marker = missingMarker(values);
  const rows = new Int32Array(data.length);
  let count = 0;
  for (let row = 0; row < data.length; row++) {
    const raw = data[row] as number;
    if (raw === raw && raw !== marker) rows[count++] = row;
  }
  return rows.subarray(0, count);
}

/** Whether a row has no value. */
export function isMissing(values: Values, row: number): boolean {
  if (values.type === 'text') return values.data[row] === MISSING_TEXT;
  if (values.type === 'boolean') return values.data[row] === MISSING_BOOLEAN;
  return Number.isNaN(values.data[row]);
}
