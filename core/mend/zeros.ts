import { success } from 'core/result';
import { counted } from 'core/sentence';
import { named, type NumericValues } from 'core/table';
import type { Found, MendKind, MendOf } from './kind';
import { columnWord, firstRows, namesOf, numberColumn, numberWords, withColumn } from './parts';
import { ruleOf, ruleTyped, ruleWord } from './rule';

// Zeros that stand for nothing measured are few, and far from what was.
const MOST_SHARE = 0.1;
const FEW = 3;
const LEAST_OTHERS = 8;

function foundIn(column: NumericValues & { readonly name: string }): Found<MendOf<'zeros'>>[] {
  const { data, name } = column;
  let [zeros, others, low, high] = [0, 0, Infinity, -Infinity];
  for (const value of data) {
    if (value === 0) zeros++;
    else if (value === value) {
      others++;
      if (value < low) low = value;
      if (value > high) high = value;
    }
  }
  // All on one side of zero, and the nearest further from it than half of what they span.
  const isApart = (low > 0 && low > (high - low) / 2) || (high < 0 && -high > (high - low) / 2);
  if (zeros === 0 || others < LEAST_OTHERS || zeros > Math.max(FEW, others * MOST_SHARE) || !isApart || low === high) return [];
  const said = `${counted(zeros, 'zero')} of ${name} ${zeros === 1 ? 'stands' : 'stand'} apart from the others, ${numberWords(low)} to ${numberWords(high)}.`;
  return [
    {
      mend: { kind: 'zeros', column: name, where: null, off: false },
      said,
      count: zeros,
      rows: firstRows(data.length, row => data[row] === 0),
    },
  ];
}

/** Changes those numbers of a column that a test takes, where a rule holds. */
const changing = <M extends MendOf<'zeros'> | MendOf<'fill'>>(test: (value: number) => boolean, to: number): MendKind<M>['apply'] => {
  return (table, { column: name, where }) => {
    const [column, rule] = [numberColumn(table, name), ruleOf(table, where)];
    if (!column.ok) return column;
    if (!rule.ok) return rule;
    let count = 0;
    const data = column.value.data.map((value, row) => {
      if (!test(value) || !rule.value(row)) return value;
      count++;
      return to;
    });
    return success(withColumn(table, named(name, { type: column.value.type, data }), count));
  };
};

/** What a mend of numbers by rule takes, and as what. */
interface Ruled<M extends MendOf<'zeros'> | MendOf<'fill'>> extends Pick<MendKind<M>, 'offer' | 'find' | 'apply'> {
  readonly plain: (column: string) => M;
  /** “Take zeros of … as missing”. */
  readonly takes: string;
  readonly as: string;
}

const ruled = <M extends MendOf<'zeros'> | MendOf<'fill'>>({ offer, find, apply, plain, takes, as }: Ruled<M>): MendKind<M> => ({
  offer,
  counts: 'cell',
  find,
  apply,
  sentence: ({ column, where }, columns) => [
    `Take ${takes} of `,
    columnWord(column, columns, ['number']),
    ` as ${as}, `,
    ...(where === null ? [] : ['where ']),
    ruleWord(where),
    '.',
  ],
  choose: (mend, key, value) => (key === 'column' ? { ...mend, column: value } : { ...mend, where: ruleTyped(value) }),
  first: columns => {
    const [column] = namesOf(columns, ['number']);
    return column === undefined ? null : plain(column);
  },
});

/** Zeros that mean that nothing was measured. */
export const zeros = ruled<MendOf<'zeros'>>({
  offer: 'Take zeros as missing',
  find: ({ columns }) => columns.flatMap(column => (column.type === 'number' ? foundIn(column) : [])),
  apply: changing(value => value === 0, NaN),
  plain: column => ({ kind: 'zeros', column, where: null, off: false }),
  takes: 'zeros',
  as: 'missing',
});

/** Missing values that mean none: nothing is found, since only who knows the data can tell. */
export const fill = ruled<MendOf<'fill'>>({
  offer: 'Take missing values as zero',
  find: () => [],
  apply: changing(value => Number.isNaN(value), 0),
  plain: column => ({ kind: 'fill', column, where: null, off: false }),
  takes: 'missing values',
  as: 'zero',
});
