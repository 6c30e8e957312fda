import { decimalMarkOf, parseNumber } from 'core/io';
import { success } from 'core/result';
import { choiceToken, counted, type Option } from 'core/sentence';
import { named, type Column } from 'core/table';
import type { Found, MendKind, MendOf } from './kind';
import { columnWord, firstRows, namesOf, quoted, textColumn, textCounts, withColumn } from './parts';

type Numbers = MendOf<'numbers'>;

const SIGNS: readonly Option[] = [
  { value: 'point', label: 'a point' },
  { value: 'comma', label: 'a comma' },
];
// So large a part of a column's texts are numbers where they were meant to be.
const MOST = 0.8;
// A zero in front, or more digits than a float holds: an identifier.
const IDENTIFIER = /^[+-]?0\d|\d{16}/;

function foundIn(column: Extract<Column, { type: 'text' }>): Found<Numbers>[] {
  const counts = textCounts(column);
  const texts = column.dictionary.filter((_, code) => (counts[code] as number) > 0);
  if (texts.length === 0 || texts.some(text => IDENTIFIER.test(text.trim()))) return [];
  const decimal = decimalMarkOf(texts, ',').mark;
  const is = column.dictionary.map(text => !Number.isNaN(parseNumber(text, decimal)));
  const all = counts.reduce((sum, count) => sum + count, 0);
  const count = counts.reduce((sum, own, code) => sum + (is[code] ? own : 0), 0);
  if (count < all * MOST) return [];
  const others = column.dictionary.filter((_, code) => !is[code] && (counts[code] as number) > 0);
  const but = others.length ? `, but not ${others.slice(0, 3).map(quoted).join(', ')}` : '';
  return [
    {
      mend: { kind: 'numbers', column: column.name, decimal, off: false },
      said: `${count.toLocaleString('en')} of ${counted(all, 'text')} of ${column.name} are numbers${but}.`,
      count,
      rows: firstRows(column.data.length, row => is[column.data[row] as number] === false),
    },
  ];
}

/** Numbers that are kept as texts. */
export const textNumbers: MendKind<Numbers> = {
  offer: 'Read texts as numbers',
  counts: 'cell',
  find: ({ columns }) => columns.flatMap(column => (column.type === 'text' ? foundIn(column) : [])),
  apply: (table, { column: name, decimal }) => {
    const column = textColumn(table, name);
    if (!column.ok) return column;
    const { data, dictionary } = column.value;
    const values = dictionary.map(text => parseNumber(text, decimal));
    let [count, lost] = [0, 0];
    const numbers = Float64Array.from(data, code => {
      const value = values[code] ?? NaN;
      if (code >= 0) {
        if (Number.isNaN(value)) lost++;
        else count++;
      }
      return value;
    });
    const made = withColumn(table, named(name, { type: 'number', data: numbers }), count + lost);
    return success({
      ...made,
      count,
      ...(lost ? { also: `${counted(lost, 'text')} that ${lost === 1 ? 'is' : 'are'} none became missing` } : {}),
    });
  },
  sentence: ({ column, decimal }, columns) => [
    'Read the texts of ',
    columnWord(column, columns, ['text']),
    ' as numbers, decimals behind ',
    choiceToken('decimal', 'Before decimals', decimal, SIGNS),
    '.',
  ],
  choose: (mend, key, value) => (key === 'column' ? { ...mend, column: value } : { ...mend, decimal: value as Numbers['decimal'] }),
  first: columns => {
    const [column] = namesOf(columns, ['text']);
    return column === undefined ? null : { kind: 'numbers', column, decimal: 'point', off: false };
  },
};
