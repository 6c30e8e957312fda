import { messageFor } from 'core/result/words';
import { tableOf, type Cell } from 'core/table';
import { frameOf, plainMeasure, summedColumn, type FigureData } from './index';
import { base, column, framed, table } from './deliveries.spec';

describe('frames', () => {
  const cases: readonly [name: string, change: Partial<FigureData>, huts: Cell[], milk: Cell[]][] = [
    ['groups in table order; a sum of nothing is missing', {}, ['Alm', 'Berg', 'Cloud', null], [15, 40, null, 0]],
    [
      'largest first, missing last',
      { order: { by: 'measure', measure: 'milk', descending: true } },
      ['Berg', 'Alm', null, 'Cloud'],
      [40, 15, 0, null],
    ],
    [
      'smallest first, missing last',
      { order: { by: 'measure', measure: 'milk', descending: false } },
      [null, 'Alm', 'Berg', 'Cloud'],
      [0, 15, 40, null],
    ],
    ['by category, falling', { order: { by: 'category', descending: true } }, ['Cloud', 'Berg', 'Alm', null], [null, 40, 15, 0]],
    [
      'an order by a measure that is gone',
      { order: { by: 'measure', measure: 'kg', descending: true } },
      ['Alm', 'Berg', 'Cloud', null],
      [15, 40, null, 0],
    ],
    ['values kept, missing among them', { filters: [{ kind: 'values', column: 'hut', keep: ['Alm', null] }] }, ['Alm', null], [15, 0]],
    [
      'a range of dates, bounds included; missing is outside',
      { filters: [{ kind: 'range', column: 'week', low: '2031-05-08', high: '2031-05-15' }] },
      ['Alm', 'Cloud', null],
      [5, null, 0],
    ],
    ['a range of numbers, open above', { filters: [{ kind: 'range', column: 'milk', low: 10, high: null }] }, ['Alm', 'Berg'], [10, 40]],
    [
      'two filters at once',
      {
        filters: [
          { kind: 'values', column: 'valley', keep: ['Tolm'] },
          { kind: 'range', column: 'milk', low: 1, high: null },
        ],
      },
      ['Alm'],
      [15],
    ],
    [
      'a filter on a column that is gone keeps all',
      { filters: [{ kind: 'values', column: 'cows', keep: [] }] },
      ['Alm', 'Berg', 'Cloud', null],
      [15, 40, null, 0],
    ],
    ['nothing kept', { filters: [{ kind: 'values', column: 'hut', keep: [] }] }, [], []],
    [
      'what-if values under their category',
      {
        whatIfs: [
          { by: 'hut', category: 'Berg', split: [], measure: 'milk', value: 1 },
          { by: 'valley', category: 'Alm', split: [], measure: 'milk', value: 7 },
        ],
      },
      ['Alm', 'Berg', 'Cloud', null],
      [15, 1, null, 0],
    ],
    [
      'a what-if of a missing category',
      { whatIfs: [{ by: 'hut', category: null, split: [], measure: 'milk', value: 8 }] },
      ['Alm', 'Berg', 'Cloud', null],
      [15, 40, null, 8],
    ],
  ];
  for (const [name, change, huts, milk] of cases)
    it(name, () => {
      const frame = framed(change);
      expect(column(frame, 'hut')).toEqual(huts);
      expect(column(frame, 'milk')).toEqual(milk);
    });

  it('measures are ratios of sums, never averages of ratios', () => {
    const fat = tableOf({ hut: ['A', 'A'], fat: [1, 9], milk: [1, 99] });
    expect(column(framed({ measures: [plainMeasure('share', 'sum(fat) / sum(milk)')] }, fat), 'share')).toEqual([0.1]);
  });
  it('carries text that is one per category and leaves out what varies', () => {
    expect(framed().carried).toEqual(['valley']);
    expect(framed({ category: 'valley' }).carried).toEqual([]);
  });
  it('marks what-if rows, and knows the source rows behind each row', () => {
    const frame = framed({
      order: { by: 'measure', measure: 'milk', descending: true },
      whatIfs: [{ by: 'hut', category: 'Alm', split: [], measure: 'milk', value: 99 }],
    });
    expect([...(frame.whatIfs['milk'] as Uint8Array)]).toEqual([1, 0, 0, 0]);
    const behind = (row: number): number[] => [...frame.source.rows.subarray(frame.source.offsets[row], frame.source.offsets[row + 1])];
    expect([0, 1, 2, 3].map(behind)).toEqual([[0, 2], [1, 5], [4], [3]]);
  });
  it('source rows count in the table, not in what a filter kept', () => {
    expect([...framed({ filters: [{ kind: 'values', column: 'valley', keep: ['Siddel'] }] }).source.rows]).toEqual([1, 5]);
  });

  const faults: readonly [name: string, change: Partial<FigureData>, says: RegExp][] = [
    ['an unknown category', { category: 'cabin' }, /No column is called “cabin”\. Choose one of: hut, valley, milk, week\./],
    ['a name twice', { category: 'milk' }, /Two columns of this figure would be called “milk”/],
    ['a formula that does not compile', { measures: [plainMeasure('m', 'sum(mlik)')] }, /Did you mean milk\?/],
    ['a formula that sums up nothing', { measures: [plainMeasure('m', 'milk')] }, /many values per group/],
  ];
  for (const [name, change, says] of faults)
    it(`names ${name}`, () => {
      const read = frameOf(table, { ...base, ...change });
      expect(read.ok ? '' : read.problems.map(messageFor).join()).toMatch(says);
    });

  it('an empty table and a table of one row', () => {
    const none = tableOf({ hut: [] as string[], milk: [] as number[] });
    expect(framed({}, none).table.rowCount).toBe(0);
    expect(column(framed({}, tableOf({ hut: ['A'], milk: [4] })), 'milk')).toEqual([4]);
  });
  it('a hundred thousand rows give a hundred thousand categories', () => {
    const many = tableOf({
      hut: Array.from({ length: 100_000 }, (_, i) => `hut ${i}`),
      milk: Array.from({ length: 100_000 }, (_, i) => i),
    });
    expect(framed({ order: { by: 'measure', measure: 'milk', descending: true } }, many).table.rowCount).toBe(100_000);
  });
});

describe('bins whose width fits the values', () => {
  it('are filled in by the width that they were cut with', () => {
    // From 3 to 58 a width of 10 fits; from lower end to lower end, 0 to 50, it would be 5.
    const values = tableOf({ fat: [3, 58, 21], milk: [1, 2, 4] });
    const frame = framed({ category: 'fat', step: { kind: 'bin', width: null }, measures: [plainMeasure('n', 'count(*)')] }, values);
    expect(column(frame, 'fat')).toEqual([0, 10, 20, 30, 40, 50]);
    expect(column(frame, 'n')).toEqual([1, 0, 1, 0, 0, 1]);
  });
});

describe('frames, split, stepped and helped', () => {
  const split = { category: 'hut', series: 'valley', measures: [plainMeasure('milk', 'sum(milk)')] };
  const steps: readonly [name: string, change: Partial<FigureData>, rows: Cell[], values: Cell[]][] = [
    ['a row per category and series', split, ['Alm', 'Berg', 'Cloud', null], [15, 40, null, 0]],
    [
      'weeks filled in as missing',
      {
        category: 'week',
        step: { kind: 'grain', grain: 'week' },
        filters: [
          { kind: 'values', column: 'hut', keep: ['Alm', null] },
          { kind: 'missing', column: 'week', keep: 'there' },
        ],
      },
      ['2031-04-28', '2031-05-05', '2031-05-12'],
      [10, 5, 0],
    ],
    [
      'days filled in as missing',
      {
        category: 'week',
        step: { kind: 'grain', grain: 'day' },
        filters: [{ kind: 'range', column: 'week', low: '2031-05-01', high: '2031-05-02' }],
      },
      ['2031-05-01'],
      [30],
    ],
    [
      'months',
      { category: 'week', step: { kind: 'grain', grain: 'month' }, filters: [{ kind: 'missing', column: 'week', keep: 'there' }] },
      ['2031-05-01'],
      [35],
    ],
    [
      'bins of a number, empty ones among them',
      {
        category: 'milk',
        step: { kind: 'bin', width: 5 },
        measures: [plainMeasure('n', 'count(*)')],
        filters: [{ kind: 'missing', column: 'milk', keep: 'there' }],
      },
      [0, 5, 10, 15, 20],
      [1, 1, 1, 0, 2],
    ],
    [
      'the two largest, ties kept',
      { filters: [{ kind: 'top', column: 'hut', n: 1, measure: 'max(milk)', end: 'largest' }] },
      ['Berg'],
      [40],
    ],
    [
      'the smallest among what other filters keep',
      {
        filters: [
          { kind: 'top', column: 'hut', n: 2, measure: 'sum(milk)', end: 'smallest' },
          { kind: 'values', column: 'valley', keep: ['Tolm'] },
        ],
      },
      ['Alm', null],
      [15, 0],
    ],
    ['rows with a missing value', { filters: [{ kind: 'missing', column: 'milk', keep: 'missing' }] }, ['Cloud'], [null]],
    [
      'where a formula is true',
      { filters: [{ kind: 'formula', column: 'ƒ', formula: "milk >= 10 and valley = 'Siddel'" }] },
      ['Berg'],
      [40],
    ],
    ['by hand, others behind', { order: { by: 'hand', keys: [null, 'Cloud'] } }, [null, 'Cloud', 'Alm', 'Berg'], [0, null, 15, 40]],
    [
      'by a helper column',
      {
        helpers: [{ name: 'low', formula: '-milk', scope: { kind: 'own' }, shape: null, axis: 'first' as const, format: null }],
        order: { by: 'measure', measure: 'low', descending: false },
      },
      ['Berg', 'Alm', null, 'Cloud'],
      [40, 15, 0, null],
    ],
  ];
  for (const [name, change, rows, values] of steps)
    it(name, () => {
      const frame = framed(change);
      expect(column(frame, frame.category)).toEqual(rows);
      expect(column(frame, frame.measures[0] ?? '')).toEqual(values);
    });
  it('every step stands in every series', () => {
    const frame = framed({
      category: 'week',
      step: { kind: 'grain', grain: 'week' },
      series: 'valley',
      filters: [{ kind: 'missing', column: 'week', keep: 'there' }],
    });
    expect(column(frame, 'valley')).toEqual(['Tolm', 'Siddel', 'Tolm', 'Siddel', 'Tolm', 'Siddel']);
    expect(column(frame, 'milk')).toEqual([10, 20, 5, null, 0, null]);
  });
  it('a what-if value is for its series alone', () => {
    const whatIfs = [
      { by: 'hut', category: 'Alm', split: ['Tolm'], measure: 'milk', value: 99 },
      { by: 'hut', category: 'Berg', split: ['Tolm'], measure: 'milk', value: 1 },
    ];
    expect(column(framed({ ...split, whatIfs }), 'milk')).toEqual([99, 40, null, 0]);
  });

  const scopes: readonly [name: string, formula: string, scope: FigureData['helpers'][number]['scope'], values: Cell[]][] = [
    ['over the whole figure', 'milk / sum(milk)', { kind: 'figure' }, [0.3, 0.5, null, 0.2]],
    ['within each valley', 'milk - max(milk)', { kind: 'within', columns: ['valley'] }, [0, 0, null, -15]],
    ['along the huts', 'sum(milk)', { kind: 'along', column: 'hut', within: [] }, [15, 40, 40, 50]],
    ['along the huts within each valley', 'lag(milk)', { kind: 'along', column: 'hut', within: ['valley'] }, [null, null, 15, 25]],
    ['just as written', 'rank() over (order by milk desc)', { kind: 'own' }, [2, 1, 4, 3]],
  ];
  const sums = tableOf({
    hut: ['Alm', 'Berg', 'Cloud', 'Dale'],
    valley: ['Tolm', 'Siddel', 'Tolm', 'Siddel'],
    milk: [15, 25, null, 10] as number[],
  });
  for (const [name, formula, scope, values] of scopes)
    it(`helper columns look ${name}`, () => {
      const helpers = [{ name: 'h', formula, scope, shape: null, axis: 'first' as const, format: null }];
      expect(column(framed({ helpers }, sums), 'h')).toEqual(values);
    });
});

describe('simple measures', () => {
  const cases: readonly [formula: string, parts: ReturnType<typeof summedColumn>][] = [
    ['sum(milk)', { summary: 'sum', column: 'milk' }],
    ['AVG("Milk total")', { summary: 'avg', column: 'Milk total' }],
    ['sum(milk) / 2', undefined],
    ['sum(milk + 1)', undefined],
    ['count(distinct milk)', undefined],
    ['sum(milk) filter (where milk > 1)', undefined],
    ['sum(', undefined],
  ];
  for (const [formula, parts] of cases) it(formula, () => expect(summedColumn(formula)).toEqual(parts));
});
