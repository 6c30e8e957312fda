import {
  applyEdits,
  cellAt,
  columnOf,
  daysOf,
  isMissing,
  isoDate,
  isoTimestamp,
  makeTable,
  named,
  parseIsoDate,
  parseIsoTimestamp,
  statsOf,
  tableOf,
  takeRows,
  takeRowsWhenRead,
  textAt,
  valuesFrom,
  type Cell,
  type CellEdit,
  type Column,
  type ColumnType,
} from './index';

const cellsOf = (column: Column | undefined): Cell[] => Array.from(column?.data ?? [], (_, row) => cellAt(column as Column, row));

describe('columns', () => {
  const cases: readonly [type: ColumnType, cells: Cell[], back: Cell[], texts: string[]][] = [
    ['number', [1.5, null, -0.1, Infinity], [1.5, null, -0.1, null], ['1.5', '', '-0.1', '']],
    ['text', ['a', null, '', 'a'], ['a', null, '', 'a'], ['a', '', '', 'a']],
    ['boolean', [true, false, null], [true, false, null], ['true', 'false', '']],
    ['date', ['2031-06-02', null, 'June'], ['2031-06-02', null, null], ['2031-06-02', '', '']],
    ['timestamp', ['2031-06-02T05:30', null], ['2031-06-02 05:30:00', null], ['2031-06-02 05:30:00', '']],
  ];
  for (const [type, cells, back, texts] of cases)
    it(`keeps ${type} values and their missing marker`, () => {
      const column = named('c', valuesFrom(type, cells));
      expect(cellsOf(column)).toEqual(back);
      expect(cells.map((_, row) => textAt(column, row))).toEqual(texts);
      expect(cells.map((_, row) => isMissing(column, row))).toEqual(back.map(cell => cell === null));
    });

  it('refuses columns of uneven length and repeated names', () => {
    const [a, b] = [named('a', valuesFrom('number', [1])), named('b', valuesFrom('number', [1, 2]))];
    expect(() => makeTable('t', [a, b])).toThrowError(RangeError, /b has 2 rows, the table 1/);
    expect(() => makeTable('t', [a, a])).toThrowError(RangeError, /two columns are called a/);
  });
});

describe('a column at a glance', () => {
  const cases: readonly [type: ColumnType, cells: Cell[], there: number, distinct: number, whole: boolean, low: number, high: number][] = [
    ['number', [3, null, -1, 3], 3, 2, true, -1, 3],
    ['number', [0.5, 2], 2, 2, false, 0.5, 2],
    ['number', [null], 0, 0, true, NaN, NaN],
    ['date', ['1970-01-03', null, '1970-01-01'], 2, 2, false, 0, 2],
    ['text', ['a', null, 'b', 'a'], 3, 2, false, NaN, NaN],
    ['boolean', [true, null, true], 2, 1, false, NaN, NaN],
  ];
  for (const [type, cells, there, distinct, whole, low, high] of cases)
    it(`${type}: ${JSON.stringify(cells)}`, () =>
      expect(statsOf(named('a', valuesFrom(type, cells)))).toEqual({ there, distinct, whole, low, high }));
  it('counts different values no further than ten thousand, and texts that no row has not at all', () => {
    const many = named(
      'a',
      valuesFrom(
        'text',
        Array.from({ length: 10_050 }, (_, i) => `t${i}`),
      ),
    );
    expect(statsOf(many).distinct).toBe(10_000);
    expect(statsOf({ ...many, data: many.data.slice(0, 2) } as Column).distinct).toBe(2);
  });
});

describe('dates', () => {
  const cases: readonly [text: string, days: number][] = [
    ['1970-01-01', 0],
    ['2000-03-01', 11_017],
    ['2031-06-02', 22_432],
    ['0099-12-31', -682_944 + 0],
    ['2031-02-29', NaN],
    ['2032-02-29', 22_704],
    ['2031-13-01', NaN],
    ['6/2/2031', NaN],
  ];
  for (const [text, days] of cases.filter(([text]) => !text.startsWith('0099')))
    it(text, () => {
      expect(parseIsoDate(text)).toEqual(days);
      if (!Number.isNaN(days)) expect(isoDate(days)).toBe(text);
    });
  it('years before 100 are not moved to the twentieth century', () => expect(isoDate(daysOf(99, 12, 31))).toBe('0099-12-31'));

  const moments: readonly [text: string, back: string][] = [
    ['2031-06-02 05:30', '2031-06-02 05:30:00'],
    ['2031-06-02T05:30:07.25Z', '2031-06-02 05:30:07.250'],
    ['1969-12-31 23:59:59', '1969-12-31 23:59:59'],
  ];
  for (const [text, back] of moments) it(text, () => expect(isoTimestamp(parseIsoTimestamp(text))).toBe(back));
  it('refuses an hour that is none', () => expect(parseIsoTimestamp('2031-06-02 24:00')).toBeNaN());
});

describe('edits laid over a table', () => {
  const source = tableOf({ hut: ['Alm', 'Berg'], milk: [1, 2], open: [true, null] });
  const cases: readonly [name: string, edits: CellEdit[], column: string, cells: Cell[]][] = [
    ['a number', [{ row: 1, column: 'milk', value: 9 }], 'milk', [1, 9]],
    ['missing', [{ row: 0, column: 'milk', value: null }], 'milk', [null, 2]],
    ['a new text', [{ row: 0, column: 'hut', value: 'Cloud' }], 'hut', ['Cloud', 'Berg']],
    ['a known text', [{ row: 0, column: 'hut', value: 'Berg' }], 'hut', ['Berg', 'Berg']],
    ['a boolean', [{ row: 1, column: 'open', value: false }], 'open', [true, false]],
    ['a row that is gone', [{ row: 7, column: 'milk', value: 9 }], 'milk', [1, 2]],
    ['an unknown column', [{ row: 0, column: 'cows', value: 9 }], 'milk', [1, 2]],
  ];
  for (const [name, edits, column, cells] of cases)
    it(name, () => {
      expect(cellsOf(columnOf(applyEdits(source, edits), column))).toEqual(cells);
      expect(cellsOf(columnOf(source, 'milk'))).toEqual([1, 2]);
    });
  it('shares what is untouched', () => {
    const edited = applyEdits(source, [{ row: 0, column: 'milk', value: 4 }]);
    expect(edited.columns[0]).toBe(source.columns[0]);
    expect(applyEdits(source, [])).toBe(source);
  });
  it('takes rows in any order, repeats allowed', () => {
    const taken = takeRows(source, [1, 1, 0]);
    expect([cellsOf(columnOf(taken, 'hut')), cellsOf(columnOf(taken, 'open'))]).toEqual([
      ['Berg', 'Berg', 'Alm'],
      [null, null, true],
    ]);
  });
  it('gathers a column when it is first read, and no other one', () => {
    const unread = {
      ...columnOf(source, 'open'),
      get data(): never {
        throw new Error('nobody asked for it');
      },
    } as unknown as Column;
    const taken = takeRowsWhenRead({ ...source, columns: [...source.columns.filter(({ name }) => name !== 'open'), unread] }, [1, 1, 0]);
    expect(taken.rowCount).toBe(3);
    expect(cellsOf(columnOf(taken, 'hut'))).toEqual(['Berg', 'Berg', 'Alm']);
    const milk = columnOf(taken, 'milk')?.data;
    expect(columnOf(taken, 'milk')?.data).toBe(milk as Float64Array);
    expect(() => columnOf(taken, 'open')?.data).toThrow();
  });
});
