import type { Aggregate, Groups } from './aggregate-entry';
import { numberFacts } from 'core/format';
import { MISSING_BOOLEAN, MISSING_TEXT, type ColumnType } from 'core/table';
import { dictionaryRanks } from '../evaluate/text-order';
import type { NumericVec, TextVec, Vec } from '../evaluate/vec';
import { endsOf } from './ends';
import { countsFound, pairMoments, sumsOf, variances } from './moments';
import { modes, quantiles } from './quantiles';

const ordered: readonly ColumnType[] = ['number', 'date', 'timestamp', 'text'];
const moments: readonly ColumnType[] = ['number', 'date', 'timestamp'];
const number: readonly ColumnType[] = ['number'];

const numbers = (data: Float64Array): Vec => ({ type: 'number', data, constant: false });
const numeric = (args: readonly Vec[]): NumericVec => args[0] as NumericVec;

const spread = (signature: string, help: string, fewest: 0 | 1, root: boolean): Aggregate => ({
  group: 'aggregate',
  signature,
  help,
  example: signature.replace('x', 'milk'),
  takes: number,
  gives: 'number',
  sliding: 'variance',
  run: (args, groups) => numbers(variances(numeric(args), groups, fewest, root)),
});

const pairwise = (signature: string, help: string, example: string): Aggregate => ({
  group: 'aggregate',
  signature,
  help,
  example,
  takes: number,
  gives: 'number',
  pair: true,
  sliding: 'pair',
  run: (args, groups) =>
    numbers(pairMoments(args as readonly [NumericVec, NumericVec], groups, signature.slice(0, signature.indexOf('(')))),
});

/** Functions over many rows. */
export const aggregates: Readonly<Record<string, Aggregate>> = {
  sum: {
    group: 'aggregate',
    signature: 'sum(x)',
    takes: number,
    gives: 'number',
    help: 'Total of the values that are there; missing when there are none.',
    example: 'sum(milk)',
    sliding: 'sum',
    run: (args, groups) => numbers(sumsOf(numeric(args), groups).totals.slice()),
  },
  avg: {
    group: 'aggregate',
    signature: 'avg(x)',
    takes: number,
    gives: 'number',
    help: 'Mean of the values that are there.',
    example: 'avg(milk)',
    sliding: 'sum',
    run: (args, groups) => {
      const { totals, counts } = sumsOf(numeric(args), groups);
      return numbers(totals.map((total, g) => total / (counts[g] as number)));
    },
  },
  min: {
    group: 'aggregate',
    signature: 'min(x)',
    takes: ordered,
    gives: 'same',
    help: 'Smallest value.',
    example: 'min(milk)',
    sliding: 'min',
    run: ([arg], groups) => extreme(arg as Vec, groups, -1),
  },
  max: {
    group: 'aggregate',
    signature: 'max(x)',
    takes: ordered,
    gives: 'same',
    help: 'Largest value.',
    example: 'max(milk)',
    sliding: 'max',
    run: ([arg], groups) => extreme(arg as Vec, groups, 1),
  },
  count: {
    group: 'aggregate',
    signature: 'count(x), count(*)',
    takes: 'any',
    gives: 'number',
    help: 'How many values are there; count(*) counts rows, count(distinct x) different values.',
    example: 'count(milk)',
    sliding: 'count',
    run: ([arg], groups) => numbers(counted(arg as Vec, groups)),
  },
  stddev_samp: spread('stddev_samp(x)', 'Standard deviation of a sample; missing for fewer than two values.', 1, true),
  stddev_pop: spread('stddev_pop(x)', 'Standard deviation of the whole.', 0, true),
  var_samp: spread('var_samp(x)', 'Variance of a sample; missing for fewer than two values.', 1, false),
  var_pop: spread('var_pop(x)', 'Variance of the whole.', 0, false),
  median: {
    group: 'aggregate',
    signature: 'median(x)',
    takes: number,
    gives: 'number',
    help: 'The middle value; between the two middle ones when their number is even.',
    example: 'median(milk)',
    sliding: 'sorted',
    run: (args, groups) => numbers(quantiles(numeric(args), groups, { fraction: 0.5, descending: false }, true)),
  },
  percentile_cont: {
    group: 'aggregate',
    signature: 'percentile_cont(p) within group (order by x)',
    takes: number,
    gives: 'number',
    within: 'fraction',
    help: 'The value below which a share p lies, between two values where it falls there.',
    example: 'percentile_cont(0.9) within group (order by milk)',
    sliding: 'sorted',
    run: (args, groups, options) => numbers(quantiles(numeric(args), groups, options, true)),
  },
  percentile_disc: {
    group: 'aggregate',
    signature: 'percentile_disc(p) within group (order by x)',
    takes: moments,
    gives: 'same',
    within: 'fraction',
    help: 'The first value at or past a share p; always one of the values.',
    example: 'percentile_disc(0.9) within group (order by milk)',
    sliding: 'sorted',
    run: (args, groups, options) => ({ ...numeric(args), data: quantiles(numeric(args), groups, options, false), constant: false }),
  },
  mode: {
    group: 'aggregate',
    signature: 'mode() within group (order by x)',
    takes: moments,
    gives: 'same',
    within: 'plain',
    help: 'The most frequent value; the first in order when several are.',
    example: 'mode() within group (order by cows)',
    sliding: 'sorted',
    run: (args, groups, options) => ({ ...numeric(args), data: modes(numeric(args), groups, options), constant: false }),
  },
  corr: pairwise('corr(y, x)', 'Correlation of two numbers, −1 to 1.', 'corr(butterfat, milk)'),
  regr_slope: pairwise('regr_slope(y, x)', 'Slope of the straight line through y by x.', 'regr_slope(butterfat, milk)'),
  regr_intercept: pairwise(
    'regr_intercept(y, x)',
    'Where the straight line through y by x meets x = 0.',
    'regr_intercept(butterfat, milk)',
  ),
};

function counted(arg: Vec, groups: Groups): Float64Array {
  const found = arg.data instanceof Float64Array ? countsFound(arg as NumericVec, groups) : undefined;
  if (found) return found.slice();
  const { ids, count, rows } = groups;
  const counts = new Float64Array(count);
  const step = arg.constant ? 0 : 1;
  const { data } = arg;
  const marker = arg.type === 'text' ? MISSING_TEXT : arg.type === 'boolean' ? MISSING_BOOLEAN : NaN;
  for (let row = 0; row < rows; row++) {
    const raw = data[row * step] as number;
    if (raw === raw && raw !== marker) counts[ids === null ? 0 : (ids[row] as number)]!++;
  }
  return counts;
}

function extreme(arg: Vec, groups: Groups, direction: 1 | -1): Vec {
  if (arg.type === 'text') return textExtreme(arg, groups, direction);
  const { type, data } = arg as NumericVec;
  return { type, data: numberExtreme(data, arg.constant ? 0 : 1, groups, direction), constant: false };
}

function numberExtreme(data: Float64Array, step: 0 | 1, groups: Groups, direction: 1 | -1): Float64Array {
  const { ids, count, rows } = groups;
  if (ids === null) {
    // Words and labels ask for the ends of the same column.
    const own = step === 0 ? Math.min(1, rows) : rows;
    const { low, high } = numberFacts(data.length === own ? data : data.subarray(0, own));
    return new Float64Array(count).fill(low > high ? NaN : direction === 1 ? high : low);
  }
  const { lows, highs } = endsOf(data, step, groups);
  return direction === 1 ? highs : lows;
}

function textExtreme(arg: TextVec, groups: Groups, direction: 1 | -1): Vec {
  const ranks = dictionaryRanks(arg.dictionary);
  const places = Float64Array.from(arg.data, code => ranks[code] ?? NaN);
  return placesToTexts(arg, ranks, numberExtreme(places, arg.constant ? 0 : 1, groups, direction));
}

/** Texts from their ranks in the order of the dictionary. */
export function placesToTexts(arg: TextVec, ranks: Int32Array, places: Float64Array): TextVec {
  const codeAt = new Int32Array(ranks.length);
  ranks.forEach((place, code) => (codeAt[place] = code));
  return { ...arg, data: Int32Array.from(places, place => codeAt[place] ?? MISSING_TEXT), constant: false };
}
