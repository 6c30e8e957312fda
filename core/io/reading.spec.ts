import { messageFor } from 'core/result/words';
import { cellAt, type Cell, type ColumnType } from 'core/table';
import { readCsv, type ImportedTable } from './index';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const n = null;

function read(text: string | Uint8Array): ImportedTable {
  const found = readCsv(typeof text === 'string' ? bytes(text) : text, 'test.csv');
  if (!found.ok) throw new Error(found.problems.map(messageFor).join());
  return found.value;
}

/** The texts as one column beside a numbered one, so that empty cells do not make blank lines. */
const columnFile = (texts: readonly string[]): string => `c;n\n${texts.map((text, i) => `${text};${i}`).join('\n')}`;
const cellsOf = ({ table }: ImportedTable, at = 0): Cell[] =>
  Array.from({ length: table.rowCount }, (_, row) => cellAt(table.columns[at] as never, row));

describe('what a column is', () => {
  const cases: readonly [texts: string[], type: ColumnType, cells: Cell[], says?: RegExp][] = [
    // Identifiers.
    [['007', '123'], 'text', ['007', '123'], /zeros in front, such as 007/],
    [['0123', '0456'], 'text', ['0123', '0456'], /stays text/],
    [['5', '12', '00'], 'text', ['5', '12', '00'], /stays text/],
    [['0', '10', '0.5'], 'number', [0, 10, 0.5]],
    [['0', '-0'], 'number', [0, -0]],
    [['+4912345678', '+4987654321'], 'text', ['+4912345678', '+4987654321'], /behind a plus/],
    [['+5', '-3'], 'number', [5, -3]],
    [['9007199254740993', '1'], 'text', ['9007199254740993', '1'], /lose digits/],
    [['9007199254740991', '1'], 'number', [9007199254740991, 1]],
    [['12345678901234567890', '2'], 'text', ['12345678901234567890', '2'], /lose digits/],
    [['1E5', '2E7'], 'text', ['1E5', '2E7'], /are codes/],
    [['1E5', '300'], 'text', ['1E5', '300'], /are codes/],
    [['1e5', '2e7'], 'number', [1e5, 2e7]],
    [['1.5E5', '2E7'], 'number', [1.5e5, 2e7]],
    [['1E+05', '2E-07'], 'number', [1e5, 2e-7]],
    // Booleans.
    [['yes', 'no', 'Yes'], 'boolean', [true, false, true]],
    [['TRUE', 'false'], 'boolean', [true, false]],
    [['no', 'No', 'NO'], 'text', ['no', 'No', 'NO']],
    [['yes', 'yes'], 'text', ['yes', 'yes']],
    [['no', 'se', 'dk'], 'text', ['no', 'se', 'dk']],
    [['true', 'no'], 'text', ['true', 'no']],
    [['yes', 'no', 'maybe'], 'text', ['yes', 'no', 'maybe']],
    [['yes', '', 'no'], 'boolean', [true, n, false]],
    // Grouping.
    [['1 234', '12 345 678'], 'number', [1234, 12345678]],
    [['1234 567', '12 345'], 'text', ['1234 567', '12 345']],
    [['1 234,5', '2 000,25'], 'number', [1234.5, 2000.25]],
    [["1'234.5", "12'000.25"], 'number', [1234.5, 12000.25]],
    [['1 234', '12 34'], 'text', ['1 234', '12 34']],
    [['12,34,567', '1,00,000.5'], 'number', [1234567, 100000.5]],
    [['1,2345', '2,3456'], 'number', [1.2345, 2.3456]],
    [['1,234,567', '5'], 'number', [1234567, 5]],
    // Percent, currency, brackets, units.
    [['12.5 %', '3%'], 'number', [12.5, 3], /“%”, which became the column’s unit/],
    [['€ 12.50', '€3'], 'number', [12.5, 3], /“€”/],
    [['12,50 €', '1.234,00 €'], 'number', [12.5, 1234], /“€”/],
    [['$1,234.50', '-$5'], 'number', [1234.5, -5], /“\$”/],
    [['$-5', '$7'], 'number', [-5, 7], /“\$”/],
    [['CHF 5', 'CHF 12.5'], 'number', [5, 12.5], /“CHF”/],
    [['(1,234.5)', '12'], 'number', [-1234.5, 12]],
    [['(5.5)', '(3)'], 'number', [-5.5, -3]],
    [['($5.50)', '$3'], 'number', [-5.5, 3], /“\$”/],
    [['(12 %)', '3 %'], 'number', [-12, 3], /“%”/],
    [['12 kg', '3.5 kg'], 'number', [12, 3.5], /“kg”/],
    [['12kg', '3kg', '4'], 'number', [12, 3, 4], /“kg”/],
    [['5 m²', '7 m²'], 'number', [5, 7], /“m²”/],
    [['21 °C', '-3 °C'], 'number', [21, -3], /“°C”/],
    [['12 kg', '12 lb'], 'text', ['12 kg', '12 lb']],
    [['12A', '13B', '14C'], 'text', ['12A', '13B', '14C']],
    [['−5', '3'], 'number', [-5, 3]],
    // What a float cannot hold.
    [['1e400', ...Array<string>(20).fill('1')], 'number', [n, ...Array<number>(20).fill(1)], /“1e400” in c is not a number/],
    [['1e-400', ...Array<string>(20).fill('1')], 'number', [n, ...Array<number>(20).fill(1)], /“1e-400” in c is not a number/],
    [['5e-324', '1e308'], 'number', [5e-324, 1e308]],
    [['0.000', '0e5'], 'number', [0, 0]],
    // Dates.
    [['2026/01/05', '2026/12/24'], 'date', ['2026-01-05', '2026-12-24']],
    [['2026.1.5', '2026.12.24'], 'date', ['2026-01-05', '2026-12-24']],
    [['5 Jan 2026', '24 Dec 2026'], 'date', ['2026-01-05', '2026-12-24']],
    [['5-Jan-2026', '24-Dec-2026'], 'date', ['2026-01-05', '2026-12-24']],
    [['Jan 5, 2026', 'December 24, 2026'], 'date', ['2026-01-05', '2026-12-24']],
    [['5. May 2026', '24. Sept 2026'], 'date', ['2026-05-05', '2026-09-24']],
    [['24.12.26', '05.01.68'], 'date', ['2026-12-24', '2068-01-05'], /24.12.26 was read as 2026/],
    [['24.12.69', '05.01.99'], 'date', ['1969-12-24', '1999-01-05'], /was read as 1969/],
    [['12/24/2026', '01/05/2026'], 'date', ['2026-12-24', '2026-01-05']],
    [['01/05/2026', '02/06/2026'], 'date', ['2026-05-01', '2026-06-02'], /read as day, month, year/],
    [['01.05.2026', '02.06.2026'], 'date', ['2026-05-01', '2026-06-02']],
    [
      ['2026-01-05', '2026-02-30', ...Array<string>(20).fill('2026-01-06')],
      'date',
      ['2026-01-05', n, ...Array<string>(20).fill('2026-01-06')],
      /“2026-02-30” in c is not a date/,
    ],
    [['0000-01-01', ...Array<string>(20).fill('2026-01-06')], 'date', [n, ...Array<string>(20).fill('2026-01-06')], /“0000-01-01”/],
    [['2026-01-05', 'x', 'y'], 'text', ['2026-01-05', 'x', 'y']],
    // Timestamps.
    [['2026-01-05T05:30:00Z', '2026-01-05 06:00'], 'timestamp', ['2026-01-05 05:30:00', '2026-01-05 06:00:00']],
    [['2026-01-05T05:30:00+02:00', '2026-01-05T05:30:00-0130'], 'timestamp', ['2026-01-05 03:30:00', '2026-01-05 07:00:00']],
    [
      ['2026-01-05T05:30:00.123456Z', '2026-01-05T05:30:01Z'],
      'timestamp',
      ['2026-01-05 05:30:00.123', '2026-01-05 05:30:01'],
      /cut to the millisecond/,
    ],
    [['1/5/2026 5:30 PM', '12/24/2026 12:00 AM'], 'timestamp', ['2026-01-05 17:30:00', '2026-12-24 00:00:00']],
    [['24.12.2026 05:30', '05.01.2026 23:59:59'], 'timestamp', ['2026-12-24 05:30:00', '2026-01-05 23:59:59']],
    [['2026-01-05 25:00', '2026-01-05 26:00'], 'text', ['2026-01-05 25:00', '2026-01-05 26:00']],
    // Missing marks.
    [['1', 'NA', 'n/a', '-', ''], 'number', [1, n, n, n, n]],
    [['', ''], 'number', [n, n]],
  ];
  for (const [texts, type, cells, says] of cases)
    it(texts.slice(0, 4).join(' · ') || 'nothing', () => {
      const found = read(columnFile(texts));
      expect([found.table.columns[0]?.type, ...cellsOf(found)]).toEqual([type, ...cells]);
      const words = found.notes.map(messageFor).join(' ');
      if (says) expect(words).toMatch(says);
      else expect(words).toBe('');
    });

  const late = (first: string, last: string, rows = 3_000): string[] => [...Array<string>(rows).fill(first), last];
  const lateCases: readonly [name: string, texts: string[], type: ColumnType, first: Cell, last: Cell][] = [
    ['a month-first date after the sample decides the order of all', late('01/05/2026', '12/24/2026'), 'date', '2026-01-05', '2026-12-24'],
    ['a day-first date after the sample', late('01/05/2026', '24/12/2026'), 'date', '2026-05-01', '2026-12-24'],
    ['an identifier after the sample', late('12', '007'), 'text', '12', '007'],
    ['a long number after the sample', late('12', '9007199254740993'), 'text', '12', '9007199254740993'],
    ['the other of a pair after the sample', late('yes', 'no'), 'boolean', true, false],
    ['another word than a pair has', late('yes', 'perhaps'), 'text', 'yes', 'perhaps'],
    ['one unreadable date among three thousand', late('2026-01-05', 'soon'), 'date', '2026-01-05', n],
    ['a decimal comma after the sample', late('1,234', '1,5'), 'number', 1.234, 1.5],
    ['a decimal point after the sample', late('1,234', '1.5'), 'number', 1234, 1.5],
  ];
  for (const [name, texts, type, first, last] of lateCases)
    it(name, () => {
      const found = read(`c\tn\n${texts.map((text, i) => `${text}\t${i}`).join('\n')}`);
      const cells = cellsOf(found);
      expect([found.table.columns[0]?.type, cells[0], cells.at(-1)]).toEqual([type, first, last] as never);
    });
  it('keeps units and readings beside the table', () => {
    const found = read('a;b;c\n12,5 €;24/12/2026;x\n3 €;01/02/2026;y');
    expect(found.units).toEqual({ a: '€' });
    expect(found.readings).toEqual({ a: { decimal: 'comma', dates: 'iso' }, b: { decimal: 'point', dates: 'day-first' } });
  });
});
