import { parseNumber } from 'core/io';
import { success } from 'core/result';
import { textToken, type Sentence } from 'core/sentence';
import { isNumeric, isoDate, isoTimestamp, named, parseIsoDate, parseIsoTimestamp, type NumericValues } from 'core/table';
import type { Found, MendColumn, MendKind, MendOf } from './kind';
import { columnWord, firstRows, namesOf, numberColumn, numberWords, withColumn } from './parts';

type Stray = MendOf<'stray-values'>;
type NumberType = NumericValues['type'];

// So many cells may be lone, and so many others must be there for them to be.
const MOST_LONE = 3;
const LEAST_OTHERS = 8;
const TYPES: readonly NumberType[] = ['number', 'date', 'timestamp'];

const wordsFor: Readonly<Record<NumberType, (value: number) => string>> = {
  number: numberWords,
  date: isoDate,
  timestamp: isoTimestamp,
};
const readFor: Readonly<Record<NumberType, (text: string) => number>> = {
  number: text => parseNumber(text),
  date: parseIsoDate,
  timestamp: parseIsoTimestamp,
};

/** The smallest and the largest values of a column, each list from the outside in, and how many there are. */
interface Ends {
  readonly count: number;
  readonly low: readonly number[];
  readonly high: readonly number[];
}

/** One more than may be lone: the first that is not. */
const KEPT = MOST_LONE + 1;

/** Cost: one pass. */
function endsOf(data: Float64Array): Ends {
  const [low, high]: [number[], number[]] = [[], []];
  let count = 0;
  for (const value of data) {
    if (value !== value) continue;
    count++;
    if (low.length < KEPT || value < (low.at(-1) as number)) put(low, value, (a, b) => a - b);
    if (high.length < KEPT || value > (high.at(-1) as number)) put(high, value, (a, b) => b - a);
  }
  return { count, low, high };
}

function put(list: number[], value: number, order: (a: number, b: number) => number): void {
  list.push(value);
  list.sort(order);
  if (list.length > KEPT) list.pop();
}

/**
 * How many values lie further from the others than these lie from each other, and are alone there: up to three. Distance of the nearest of them from the
 * others' end > range of the others. 0 where there are none.
 */
function loneAt(ends: readonly number[], other: number, count: number): number {
  for (let lone = 1; lone <= MOST_LONE && count - lone >= LEAST_OTHERS; lone++) {
    const [last, next] = [ends[lone] as number, ends[lone - 1] as number];
    const range = Math.abs(last - other);
    if (range > 0 && Math.abs(next - last) > range) return lone;
  }
  return 0;
}

function foundIn(column: NumericValues & { readonly name: string }): Found<Stray>[] {
  const { count, low: lows, high: highs } = endsOf(column.data);
  const [low, high] = [lows[0] as number, highs[0] as number];
  const words = wordsFor[column.type];
  const found = (limits: Pick<Stray, 'low' | 'high'>, lone: number, others: string): Found<Stray> => {
    const test = (row: number): boolean => isOutside(column.data[row] as number, limits);
    const rows = firstRows(column.data.length, test);
    const values = rows.slice(0, MOST_LONE).map(row => words(column.data[row] as number));
    const said = `${values.join(', ')} of ${column.name} ${lone === 1 ? 'lies' : 'lie'} far outside the others, ${others}.`;
    return { mend: { kind: 'stray-values', column: column.name, ...limits, off: false }, said, count: lone, rows };
  };
  const above = loneAt(highs, low, count);
  if (above) {
    const top = highs[above] as number;
    return [found({ low: null, high: top + (top - low) }, above, `${words(low)} to ${words(top)}`)];
  }
  const below = loneAt(lows, high, count);
  // Zeros that stand apart are a finding of their own.
  if (below === 0 || (column.type === 'number' && low === 0)) return [];
  const bottom = lows[below] as number;
  return [found({ low: bottom - (high - bottom), high: null }, below, `${words(bottom)} to ${words(high)}`)];
}

const isOutside = (value: number, { low, high }: Pick<Stray, 'low' | 'high'>): boolean =>
  (low !== null && value < low) || (high !== null && value > high);

const typeOf = (name: string, columns: readonly MendColumn[]): NumberType => {
  const type = columns.find(column => column.name === name)?.type;
  return TYPES.find(own => own === type) ?? 'number';
};

function sentence({ column, low, high }: Stray, columns: readonly MendColumn[]): Sentence {
  const words = wordsFor[typeOf(column, columns)];
  const limit = (key: string, about: string, value: number | null): Sentence[number] =>
    textToken(key, about, value === null ? '' : words(value), 'no limit');
  return [
    'Take values of ',
    columnWord(column, columns, TYPES),
    ' below ',
    limit('low', 'The lowest that counts', low),
    ' and above ',
    limit('high', 'The highest that counts', high),
    ' as missing.',
  ];
}

function choose(mend: Stray, key: string, value: string, columns: readonly MendColumn[]): Stray | null {
  if (key === 'column') return { ...mend, column: value, low: null, high: null };
  const limit = value.trim() === '' ? null : readFor[typeOf(mend.column, columns)](value.trim());
  return limit !== null && Number.isNaN(limit) ? null : { ...mend, [key]: limit };
}

/** Lone values far outside a column's range, and any outside limits of one's own. */
export const strayValues: MendKind<Stray> = {
  offer: 'Take values outside limits as missing',
  counts: 'cell',
  find: ({ columns }) => columns.flatMap(column => (isNumeric(column) ? foundIn(column) : [])),
  apply: (table, mend) => {
    const column = numberColumn(table, mend.column);
    if (!column.ok) return column;
    let count = 0;
    const data = column.value.data.map(value => {
      if (!isOutside(value, mend)) return value;
      count++;
      return NaN;
    });
    return success(withColumn(table, named(mend.column, { type: column.value.type, data }), count));
  },
  sentence,
  choose,
  first: columns => {
    const [column] = namesOf(columns, TYPES);
    return column === undefined ? null : { kind: 'stray-values', column, low: null, high: null, off: false };
  },
};
