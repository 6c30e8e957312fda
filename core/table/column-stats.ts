import { isNumeric, MISSING_BOOLEAN, missingMarker, type BooleanValues, type Column, type NumericValues, type TextValues } from './column';

/** A summary of a column's contents. */
export interface ColumnStats {
  /** Rows with a value. */
  readonly there: number;
  /** Different values among them; counted no further than `MOST_DISTINCT`. */
  readonly distinct: number;
  /** Number columns: every value is whole. */
  readonly whole: boolean;
  /** The smallest and the largest number, days or milliseconds; NaN for texts and where nothing is there. */
  readonly low: number;
  readonly high: number;
}

/** More different values than this tell nothing more about a column. */
export const MOST_DISTINCT = 10_000;

/** A column at a glance. Missing values count for nothing. Cost: one flat pass. */
export function statsOf(column: Column): ColumnStats {
  return isNumeric(column) ? numberStats(column) : codeStats(column);
}

function numberStats({ type, data }: NumericValues): ColumnStats {
  const seen = new Set<number>();
  let [there, whole, low, high] = [0, type === 'number', Infinity, -Infinity];
  for (let row = 0; row < data.length; row++) {
    const value = data[row] as number;
    if (value !== value) continue;
    there++;
    if (seen.size < MOST_DISTINCT) seen.add(value);
    if (value < low) low = value;
    if (value > high) high = value;
    if (whole && !Number.isInteger(value)) whole = false;
  }
  return there ? { there, distinct: seen.size, whole, low, high } : { there, distinct: 0, whole, low: NaN, high: NaN };
}

/** Texts and booleans: which of their codes are there. */
function codeStats(column: TextValues | BooleanValues): ColumnStats {
  const { data } = column;
  const missing = missingMarker(column);
  const seen = new Uint8Array(column.type === 'text' ? column.dictionary.length : MISSING_BOOLEAN);
  let [there, distinct] = [0, 0];
  for (let row = 0; row < data.length; row++) {
    const code = data[row] as number;
    if (code === missing) continue;
    there++;
    if (seen[code] === 0) {
      seen[code] = 1;
      distinct++;
    }
  }
  return { there, distinct: Math.min(distinct, MOST_DISTINCT), whole: false, low: NaN, high: NaN };
}
