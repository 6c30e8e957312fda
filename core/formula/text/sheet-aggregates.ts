import type { TypedAggregate } from '../evaluate/typed';

/**
 * Ranges with conditions that their cells must meet. Function names are those of the open formula standard (ISO/IEC 26300-2), as files must have
 * them.
 */
export type Conditions = readonly (readonly [range: string, criterion: string])[];

// Every number lies above it: texts and empty cells do not.
const ANY_NUMBER = '">-1E+300"';

/** The count of numbers in rows that meet the conditions. */
export const countOf = (values: string, conditions: Conditions): string =>
  conditions.length ? `COUNTIFS(${[...conditions.flat(), values, ANY_NUMBER].join(',')})` : `COUNT(${values})`;

/** An aggregate over rows as a spreadsheet formula. */
export interface SheetAggregate {
  readonly text: string;
  readonly isArray: boolean;
}

/** Aggregates by name, over the numbers that are not missing. */
type Writer = (values: string, conditions: Conditions, f: TypedAggregate) => SheetAggregate | null;

const sumOf = (values: string, conditions: Conditions): string =>
  conditions.length ? `SUMIFS(${[values, ...conditions.flat()].join(',')})` : `SUM(${values})`;

const plain =
  (text: (values: string, conditions: Conditions) => string, least = 1): Writer =>
  (values, conditions) => ({
    text: `IF(${countOf(values, conditions)}<${least},"",${text(values, conditions)})`,
    isArray: false,
  });

/** A function over the numbers of an array in rows that meet the conditions. */
const overArray =
  (name: string, least: number, more: (f: TypedAggregate) => string = () => ''): Writer =>
  (values, conditions, f) => {
    const cells = conditions.every(([, criterion]) => !criterion.startsWith('"'))
      ? `IF(${[`ISNUMBER(${values})`, ...conditions.map(([range, criterion]) => `(${range}=${criterion})`)].join('*')},${values})`
      : `IF(${[`ISNUMBER(${values})`, ...conditions.map(condition)].join('*')},${values})`;
    return { text: `IF(${countOf(values, conditions)}<${least},"",${name}(${cells}${more(f)}))`, isArray: true };
  };

/** A condition as an array of truths, one per row. */
function condition([range, criterion]: Conditions[number]): string {
  const [, sign, than] = /^"([<>]=?)"&(.*)$/s.exec(criterion) ?? [];
  return sign && than ? `(${range}${sign}${than})` : `(${range}=${criterion})`;
}

const extreme =
  (end: 'MIN' | 'MAX'): Writer =>
  (values, conditions, f) =>
    conditions.length
      ? overArray(end, 1)(values, conditions, f)
      : { text: `IF(${countOf(values, conditions)}=0,"",${end}(${values}))`, isArray: false };

const WRITERS: Readonly<Record<string, Writer>> = {
  sum: plain(sumOf),
  avg: plain((values, conditions) => `${sumOf(values, conditions)}/${countOf(values, conditions)}`),
  count: (values, conditions) => ({ text: countOf(values, conditions), isArray: false }),
  min: extreme('MIN'),
  max: extreme('MAX'),
  median: overArray('MEDIAN', 1),
  stddev_samp: overArray('STDEV', 2),
  stddev: overArray('STDEV', 2),
  stddev_pop: overArray('STDEVP', 1),
  var_samp: overArray('VAR', 2),
  var_pop: overArray('VARP', 1),
  percentile_cont: overArray(
    'PERCENTILE',
    1,
    ({ within }) => `,${within ? (within.descending ? 1 - within.fraction : within.fraction) : 0.5}`,
  ),
};

/**
 * An aggregate over the rows that meet the conditions, with functions that all spreadsheets have. `values` null: counts rows. Null where there is
 * none: of distinct values, of texts, of pairs.
 */
export function aggregateSheet(f: TypedAggregate, values: string | null, conditions: Conditions, rows: number): SheetAggregate | null {
  if (f.distinct || f.args.length > 1) return null;
  if (values === null)
    return f.name === 'count'
      ? { text: conditions.length ? `COUNTIFS(${conditions.flat().join(',')})` : String(rows), isArray: false }
      : null;
  const [arg] = f.args;
  if (arg && arg.type !== 'number' && arg.type !== 'date' && arg.type !== 'timestamp') return null;
  return WRITERS[f.name]?.(values, conditions, f) ?? null;
}
