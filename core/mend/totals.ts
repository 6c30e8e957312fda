import { success } from 'core/result';
import { counted, textToken } from 'core/sentence';
import { isNumeric, type Column, type Table } from 'core/table';
import { folded, tidied } from './folded';
import type { Found, MendKind, MendOf } from './kind';
import { columnWord, firstRows, leaveOut, namesOf, quoted, textColumn, textCounts, textsTyped, typedTexts } from './parts';

type Totals = MendOf<'totals'>;

// What rows of totals begin with, in the languages of many tables, without marks and in small letters.
const TOTAL_WORDS =
  /^(?:(?:grand|sub|general|overall|zwischen|end|gesamt|teil|sous|sotto)?[- ]?(?:total|totals|totale|totaal|totalt|summe|sum|somme|soma|suma|summa|gesamt|insgesamt|ukupno|celkem|razem|ogolem|toplam|osszesen|yhteensa|i alt)|итого|всего|сумма|合計|小計|总计|合计|小计|總計|합계|المجموع|الإجمالي|कुल)(?![\p{L}\p{N}])/u;
// Rows of totals are a small part of a table.
const MOST_SHARE = 0.34;
// So many rows must come before one that is their sum, where a single column says so.
const ROWS_BEFORE = 5;
const CLOSE = 1e-9;

/** Rows whose text says that they are totals. */
function byWord(table: Table): Found<Totals>[] {
  return table.columns.flatMap((column): Found<Totals>[] => {
    if (column.type !== 'text') return [];
    const counts = textCounts(column);
    const texts = column.dictionary.filter((text, code) => (counts[code] as number) > 0 && TOTAL_WORDS.test(folded(text)));
    const gone = column.dictionary.map(text => texts.includes(text));
    const is = (row: number): boolean => gone[column.data[row] as number] ?? false;
    const { count } = leaveOut(table, row => texts.length > 0 && is(row));
    if (count === 0 || count > Math.max(1, table.rowCount * MOST_SHARE)) return [];
    const said = `${counted(count, 'row')} of ${column.name} ${count === 1 ? 'is a total' : 'are totals'}: ${texts.slice(0, 3).map(quoted).join(', ')}.`;
    return [
      {
        mend: { kind: 'totals', column: column.name, texts: [...new Set(texts.map(tidied))], off: false },
        said,
        count,
        rows: firstRows(table.rowCount, is),
      },
    ];
  });
}

/** Whether a row's numbers are, in each column that has one, the sum of those above it since the last such row. */
function sumRows({ columns, rowCount }: Table): number[] {
  const numbers = columns.filter(column => column.type === 'number' && isNumeric(column)).map(({ data }) => data as Float64Array);
  const sums = new Float64Array(numbers.length);
  const rows: number[] = [];
  let above = 0;
  for (let row = 0; row < rowCount; row++) {
    const there = numbers.map((_, i) => i).filter(i => !Number.isNaN(numbers[i]?.[row]));
    const agree = there.filter(i => isSum(numbers[i]?.[row] as number, sums[i] as number));
    if (above > 1 && agree.length === there.length && agree.length > 0 && (agree.length > 1 || above >= ROWS_BEFORE)) {
      rows.push(row);
      sums.fill(0);
      above = 0;
      continue;
    }
    for (const i of there) sums[i] = (sums[i] as number) + (numbers[i]?.[row] as number);
    above++;
  }
  return rows;
}

const isSum = (value: number, sum: number): boolean => value !== 0 && Math.abs(value - sum) <= CLOSE * Math.abs(sum);

/** Rows that are sums of those above, whatever they are called; the name must be theirs alone. */
function bySum(table: Table): Found<Totals>[] {
  const [label] = table.columns.filter((column): column is Extract<Column, { type: 'text' }> => column.type === 'text');
  if (!label) return [];
  const counts = textCounts(label);
  return sumRows(table).flatMap((row): Found<Totals>[] => {
    const code = label.data[row] as number;
    const text = label.dictionary[code];
    if (text === undefined || counts[code] !== 1) return [];
    const said = `The numbers of ${quoted(text)} are the sums of the rows above it.`;
    return [{ mend: { kind: 'totals', column: label.name, texts: [tidied(text)], off: false }, said, count: 1, rows: [row] }];
  });
}

/** Totals that stand among the rows that they are of. */
export const totals: MendKind<Totals> = {
  offer: 'Leave out rows of totals',
  counts: 'row',
  find: table => {
    const named = byWord(table);
    const known = new Set(named.flatMap(({ mend }) => mend.texts));
    return [...named, ...bySum(table).filter(({ mend }) => !mend.texts.some(text => known.has(text)))];
  },
  apply: (table, { column: name, texts }) => {
    const column = textColumn(table, name);
    if (!column.ok) return column;
    const { data, dictionary } = column.value;
    const gone = dictionary.map(text => texts.includes(tidied(text)));
    return success(leaveOut(table, row => gone[data[row] as number] ?? false));
  },
  sentence: ({ column, texts }, columns) => [
    'Leave out rows where ',
    columnWord(column, columns, ['text']),
    ' is ',
    textToken('texts', 'Texts, with ; between them', typedTexts(texts), 'nothing yet'),
    '.',
  ],
  choose: (mend, key, value) => (key === 'column' ? { ...mend, column: value } : { ...mend, texts: textsTyped(value) }),
  first: columns => {
    const [column] = namesOf(columns, ['text']);
    return column === undefined ? null : { kind: 'totals', column, texts: ['Total'], off: false };
  },
};
