import type { FigureShape } from 'core/document';
import { readSentence } from 'core/sentence';
import { makeTable, named, statsOf, valuesFrom, type Cell, type ColumnType } from 'core/table';
import { briefOf, chooseWord, firstFigures, subjectOf, type TableFacts } from '../index';

type Columns = Readonly<Record<string, readonly [type: ColumnType, cells: readonly Cell[]]>>;

const times = (count: number, make: (i: number) => Cell): Cell[] => Array.from({ length: count }, (_, i) => make(i));
const iso = (day: number): string => new Date(Date.UTC(2031, 0, 1 + day)).toISOString().slice(0, 10);
const numbers = (count: number): readonly ['number', Cell[]] => ['number', times(count, i => (i * 37) % 101)];
const texts = (count: number, distinct: number): readonly ['text', Cell[]] => ['text', times(count, i => `name ${i % distinct}`)];

/** A text and so many numbers. */
function wide(count: number): Columns {
  const columns: Record<string, Columns[string]> = { hut: texts(4, 4) };
  for (let i = 0; i < count; i++) columns[`m${i}`] = numbers(4);
  return columns;
}

/** What the engine tells of such a table. */
function facts(columns: Columns, units: Readonly<Record<string, string>> = {}): TableFacts {
  const made = makeTable(
    't',
    Object.entries(columns).map(([name, [type, cells]]) => named(name, valuesFrom(type, cells))),
  );
  return {
    id: 't',
    name: 't',
    rowCount: made.rowCount,
    units,
    columns: made.columns.map(column => ({ name: column.name, type: column.type, stats: statsOf(column) })),
  };
}

interface Row {
  readonly shape: string;
  readonly table: TableFacts;
  readonly says: string;
  readonly mark: FigureShape;
  readonly reasons?: string;
  readonly kept?: number;
}

const rows: readonly Row[] = [
  { shape: 'few names and a number', table: facts({ hut: texts(20, 5), milk: numbers(20) }), says: 'milk summed by hut', mark: 'column' },
  {
    shape: 'thousands of names',
    table: facts({ title: texts(3201, 3177), votes: numbers(3201) }),
    says: 'votes summed by title',
    mark: 'column',
    reasons: 'the 20 largest of 3,177 are kept, by a filter',
    kept: 20,
  },
  { shape: 'exactly forty names', table: facts({ hut: texts(80, 40), milk: numbers(80) }), says: 'milk summed by hut', mark: 'column' },
  {
    shape: 'a rate',
    table: facts({ hut: texts(9, 9), rate: numbers(9) }),
    says: 'rate averaged by hut',
    mark: 'column',
    reasons: 'rate is averaged, because summing it means nothing',
  },
  {
    shape: 'a number in percent by its unit',
    table: facts({ hut: texts(9, 9), fat: numbers(9) }, { fat: '%' }),
    says: 'fat averaged by hut',
    mark: 'column',
    reasons: 'fat is averaged, because summing it means nothing',
  },
  {
    shape: 'days',
    table: facts({ day: ['date', times(90, iso)], litres: numbers(90) }),
    says: 'litres summed by day',
    mark: 'line',
  },
  {
    shape: 'a date beside a five-valued text',
    table: facts({ valley: texts(60, 5), day: ['date', times(60, iso)], milk: numbers(60) }),
    says: 'milk summed by day',
    mark: 'line',
  },
  {
    shape: 'days of four years',
    table: facts({ day: ['date', times(1461, iso)], litres: numbers(1461) }),
    says: 'litres summed by day month by month',
    mark: 'line',
    reasons: 'dates are taken month by month',
  },
  {
    shape: 'moments of one week',
    table: facts({
      at: ['timestamp', times(500, i => `2031-01-0${1 + (i % 7)}T00:00:${String(i % 60).padStart(2, '0')}`)],
      litres: numbers(500),
    }),
    says: 'litres summed by at day by day',
    mark: 'line',
    reasons: 'dates are taken day by day',
  },
  {
    shape: 'dates only',
    table: facts({ day: ['date', times(30, iso)] }),
    says: 'the number of rows by day',
    mark: 'line',
    reasons: 'there is no number to measure, so rows are counted',
  },
  {
    shape: 'a few years',
    table: facts({ year: ['number', times(10, i => 2010 + (i % 5))], milk: numbers(10) }),
    says: 'milk summed by year',
    mark: 'column',
    reasons: 'year names things and is not summed',
  },
  {
    shape: 'years by their values',
    table: facts({ period: ['number', times(40, i => 1990 + i)], milk: numbers(40) }),
    says: 'milk summed by period',
    mark: 'line',
    reasons: 'period names things and is not summed',
  },
  {
    shape: 'names with years and codes',
    table: facts({
      code: ['number', times(30, i => 7000 + i * 3)],
      hut: texts(30, 6),
      year: ['number', times(30, i => 2030 + (i % 2))],
      milk: numbers(30),
    }),
    says: 'milk summed by hut',
    mark: 'column',
    reasons: 'code and year name things and are not summed',
  },
  {
    shape: 'a running number',
    table: facts({ row: ['number', times(50, i => 100 + i)], hut: texts(50, 4), milk: numbers(50) }),
    says: 'milk summed by hut',
    mark: 'column',
    reasons: 'row names things and is not summed',
  },
  {
    shape: 'no numbers',
    table: facts({ hut: texts(20, 4), valley: texts(20, 2) }),
    says: 'the number of rows by hut',
    mark: 'column',
    reasons: 'there is no number to measure, so rows are counted',
  },
  {
    shape: 'numbers alone',
    table: facts({ length: ['number', times(50, i => i * 1.5)], weight: numbers(50) }),
    says: 'the number of rows by length in bins',
    mark: 'column',
    reasons: 'there are no names or dates to go by, so rows are counted by length',
  },
  {
    shape: 'one column of numbers',
    table: facts({ length: ['number', times(50, i => i * 1.5)] }),
    says: 'the number of rows by length in bins',
    mark: 'column',
    reasons: 'there are no names or dates to go by, so rows are counted by length',
  },
  {
    shape: 'one column of text',
    table: facts({ hut: texts(9, 3) }),
    says: 'the number of rows by hut',
    mark: 'column',
    reasons: 'there is no number to measure, so rows are counted',
  },
  {
    shape: 'all missing beside names',
    table: facts({ empty: ['number', times(9, () => null)], hut: texts(9, 3), milk: numbers(9) }),
    says: 'milk summed by hut',
    mark: 'column',
  },
  {
    shape: 'everything missing',
    table: facts({ a: ['text', times(4, () => null)], b: ['number', times(4, () => null)] }),
    says: 'the number of rows by a',
    mark: 'column',
  },
  { shape: 'one row', table: facts({ hut: ['text', ['Alm']], milk: ['number', [4]] }), says: 'milk summed by hut', mark: 'column' },
  {
    shape: 'percents as text',
    table: facts({ hut: texts(9, 3), share: ['text', times(9, i => `${i} %`)] }),
    says: 'the number of rows by hut',
    mark: 'column',
    reasons: 'there is no number to measure, so rows are counted',
  },
  {
    shape: 'a constant text before the names',
    table: facts({ country: texts(9, 1), hut: texts(9, 3), milk: numbers(9) }),
    says: 'milk summed by hut',
    mark: 'column',
  },
  {
    shape: 'as wide as the year',
    table: facts({ hut: texts(9, 9), Jan: numbers(9), Feb: numbers(9), Mar: numbers(9) }),
    says: 'total by hut',
    mark: 'column',
    reasons: 'the 3 months from Jan to Mar are added up',
  },
  {
    shape: 'yes and no',
    table: facts({ open: ['boolean', times(9, i => i % 2 === 0)], milk: numbers(9) }),
    says: 'milk summed by open',
    mark: 'column',
  },
  {
    shape: '500 columns',
    table: facts(wide(499)),
    says: 'm0 summed by hut',
    mark: 'column',
  },
];

describe('first figures', () => {
  for (const { shape, table, says, mark, reasons = '', kept = 0 } of rows)
    it(`${shape}: ${says}`, () => {
      const first = firstFigures('f', table);
      const { figure } = first;
      expect(readSentence(briefOf(subjectOf(figure, [table])).shape.said)).toContain(`Show ${says}`);
      expect(figure.shape.mark).toBe(mark);
      expect(first.reasons.join('; ')).toBe(reasons);
      expect(figure.data.filters.map(filter => (filter.kind === 'top' ? filter.n : -1))).toEqual(kept ? [kept] : []);
      const names = [figure, ...first.others].map(({ name }) => name);
      expect(new Set(names).size).withContext(names.join(', ')).toBe(names.length);
      expect(first.others.length).toBeLessThanOrEqual(3);
    });

  it('offers others: by name, split, another measure, a spread', () => {
    const table = facts({ day: ['date', times(60, iso)], valley: texts(60, 5), milk: numbers(60), fat: numbers(60) });
    expect(firstFigures('f', table).others.map(({ name }) => name)).toEqual(['Milk by valley', 'Milk by day and valley', 'Fat by day']);
    expect(firstFigures('f', facts({ hut: texts(9, 3), milk: numbers(9) })).others.map(({ name }) => name)).toEqual(['Rows by milk']);
  });
  it('a table without columns has a figure all the same', () =>
    expect(firstFigures('f', { id: 't', name: 't', rowCount: 0, units: {}, columns: [] }).figure.data.category).toBe(''));
});

describe('an order follows what is shown', () => {
  const table = facts({
    hut: texts(20, 5),
    year: ['number', times(20, i => 2010 + (i % 5))],
    day: ['date', times(20, iso)],
    milk: numbers(20),
  });
  const { figure } = firstFigures('f', table);
  const byHut = {
    ...figure,
    data: { ...figure.data, category: 'hut', step: null, order: { by: 'measure', measure: 'milk', descending: true } as const },
    shape: { ...figure.shape, mark: 'column' as const },
  };
  const byYear = { ...byHut, data: { ...byHut.data, category: 'year' } };
  const cases: readonly [name: string, from: typeof byHut, key: string, value: string, order: unknown][] = [
    ['years as a line run forward', byYear, 'mark', 'line', { by: 'category', descending: false, was: byYear.data.order }],
    ['years as an area too', byYear, 'mark', 'area', { by: 'category', descending: false, was: byYear.data.order }],
    ['years as points stay as they are', byYear, 'mark', 'points', byYear.data.order],
    ['names as a line stand as they come', byHut, 'mark', 'line', { by: 'table', was: byHut.data.order }],
    ['names by year run forward', byHut, 'category', 'year', { by: 'category', descending: false }],
    ['names by day run forward', byHut, 'category', 'day', { by: 'category', descending: false }],
    ['a size is kept by another name', byHut, 'category', 'hut', byHut.data.order],
  ];
  for (const [name, from, key, value, order] of cases)
    it(name, () => {
      const change = chooseWord(subjectOf(from, [table]), key, value);
      expect(change.ok && (change.value.data?.order ?? from.data.order)).toEqual(order as never);
    });
});
