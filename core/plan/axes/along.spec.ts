import { firstFigure } from 'core/brief';
import { plainScales, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { makeTable, named, valuesFrom, type Table } from 'core/table';
import { pictureOf, type ChartPlan } from '../index';
import { livery, make } from '../plan-frames.spec';

const tableWith = (type: 'date' | 'timestamp' | 'number' | 'text', keys: readonly (string | number | null)[]): Table =>
  makeTable('t', [
    named('key', valuesFrom(type, keys)),
    named(
      'milk',
      valuesFrom(
        'number',
        keys.map((_, i) => 10 * (i + 1)),
      ),
    ),
  ]);

interface Asked {
  readonly data?: Partial<Figure['data']>;
  readonly along?: Partial<Figure['scales']['along']>;
  readonly axes?: Partial<Figure['scales']['axes']['first']>;
  readonly cues?: Figure['cues'];
}

function read(table: Table, { data, along, axes, cues = [] }: Asked = {}) {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: table.rowCount, units: {}, columns: table.columns }, 'key');
  const figure: Figure = {
    ...first,
    data: {
      ...first.data,
      measures: [plainMeasure('milk', 'sum(milk)')],
      step: null,
      filters: [],
      order: { by: 'category', descending: false },
      ...data,
    },
    scales: {
      ...plainScales,
      along: { ...plainScales.along, ...along },
      axes: { ...plainScales.axes, first: { ...plainScales.axes.first, ...axes } },
    },
    cues,
  };
  return pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery });
}

function planOf(table: Table, asked: Asked = {}): ChartPlan {
  const picture = read(table, asked);
  if (!picture.ok) throw new Error(picture.problems.map(messageFor).join());
  return picture.value.plans[0] as ChartPlan;
}

const DAYS = ['2031-01-01', '2031-01-02', '2031-01-05', '2031-03-01'];

describe('where categories lie', () => {
  const rows: readonly [name: string, table: Table, asked: Asked, places: readonly number[] | null, by: string, told: string][] = [
    ['dates at their time', tableWith('date', DAYS), {}, [0, 1, 4, 59], 'days to scale', 'dates 1 to 55 days apart, to scale'],
    [
      'dates closed up',
      tableWith('date', DAYS),
      { along: { spacing: 'even' } },
      null,
      'days side by side',
      'dates 1 to 55 days apart, gaps closed up',
    ],
    [
      'falling dates',
      tableWith('date', DAYS),
      { data: { order: { by: 'category', descending: true } } },
      [0, 55, 58, 59],
      'days to scale',
      'dates 1 to 55',
    ],
    [
      'dates ordered by size are names',
      tableWith('date', DAYS),
      { data: { order: { by: 'measure', measure: 'milk', descending: true } } },
      [],
      'days to scale',
      'dates 1 to 55',
    ],
    ['even dates need no places', tableWith('date', ['2031-01-06', '2031-01-13', '2031-01-20']), {}, null, 'days to scale', ''],
    ['months are as wide as each other', tableWith('date', ['2031-01-01', '2031-02-01', '2031-03-01']), {}, null, 'months to scale', ''],
    [
      'a month without rows is there',
      tableWith('date', ['2031-01-01', '2031-02-01', '2031-05-01']),
      {},
      [0, 1, 4],
      'months to scale',
      'dates 1 to 3 months apart, to scale',
    ],
    [
      'a missing date stands last',
      tableWith('date', ['2031-01-01', '2031-01-02', '2031-01-04', null]),
      {},
      [0, 1, 3, 4],
      'days to scale',
      'dates 1 to 2 days apart',
    ],
    [
      'times of a day',
      tableWith('timestamp', ['2031-01-01 06:00:00', '2031-01-01 06:30:00', '2031-01-01 12:30:00']),
      {},
      [0, 1, 13],
      'days to scale',
      'dates 30 minutes to 6 hours apart',
    ],
    [
      'centuries',
      tableWith('date', ['1502-03-04', '1602-03-04', '1802-03-04']),
      {},
      [0, 1, 3],
      'days to scale',
      'dates 100 to 200 years apart',
    ],
    ['numbers side by side unless asked', tableWith('number', [1990, 1995, 2010]), {}, null, 'names', ''],
    [
      'numbers to scale',
      tableWith('number', [1990, 1995, 2010]),
      { along: { spacing: 'scaled' } },
      [0, 1, 4],
      'numbers to scale',
      'key 5 to 15 apart, to scale',
    ],
    [
      'bins are as wide as each other',
      tableWith('number', [1, 2, 9]),
      { data: { step: { kind: 'bin', width: 1 } }, along: { spacing: 'scaled' } },
      null,
      'names',
      '',
    ],
    ['names', tableWith('text', ['b', 'a', 'c']), { along: { spacing: 'scaled' } }, null, 'names', ''],
  ];
  for (const [name, table, asked, places, by, told] of rows) {
    it(name, () => {
      const { along, axisNote } = planOf(table, asked);
      const bySize = asked.data?.order?.by === 'measure';
      const counted = along.counted;
      const unit = counted && (counted.by.kind === 'time' ? counted.by.unit : 'numbers');
      if (bySize) expect([along.places?.length ?? null, unit]).toEqual([4, 'days']);
      else {
        expect(along.places && Array.from(along.places, place => Math.round(place * 1000) / 1000)).toEqual(places as number[]);
        expect(counted ? `${unit} ${counted.scaled ? 'to scale' : 'side by side'}` : 'names').toBe(by);
      }
      if (told) expect(axisNote).toContain(told);
      else expect(axisNote).not.toContain('apart');
    });
  }
  it('ordered against time, dates are names', () => {
    // Largest first: days 5, 1, 2 of January do not run one way.
    const table = makeTable('t', [
      named('key', valuesFrom('date', ['2031-01-01', '2031-01-02', '2031-01-05'])),
      named('milk', valuesFrom('number', [20, 10, 30])),
    ]);
    const { along } = planOf(table, { data: { order: { by: 'measure', measure: 'milk', descending: true } } });
    expect([along.places, along.counted]).toEqual([null, null]);
  });
  it('a period without rows is missing, zero, or left out', () => {
    const weeks = tableWith('date', ['2031-01-06', '2031-01-20']);
    const values = (empty: Figure['data']['empty']): string =>
      String(planOf(weeks, { data: { step: { kind: 'grain', grain: 'week' }, empty } }).panels[0]?.layers[0]?.values);
    expect([values('missing'), values('zero'), values('left-out')]).toEqual(['10,NaN,20', '10,0,20', '10,20']);
  });
  it('the table from its last row to its first', () => {
    const order = { by: 'table', backward: true } as const;
    expect(planOf(tableWith('text', ['b', 'a', 'c']), { data: { order } }).categories).toEqual(['c', 'a', 'b']);
    const step = { kind: 'grain', grain: 'week' } as const;
    expect(planOf(tableWith('date', ['2031-01-20', '2031-01-06']), { data: { order, step } }).categories).toEqual([
      '2031-01-20',
      '2031-01-13',
      '2031-01-06',
    ]);
  });
  it('knows what a cue marks, and that a cue that marks all marks nothing', () => {
    const table = tableWith('text', ['b', 'a', 'c']);
    const marks = (which: 'highest' | 'both') =>
      planOf(table, { cues: [{ ...make('extremes'), measure: 'milk', which } as never], data: { order: { by: 'table' } } }).along.marked;
    expect([marks('highest'), marks('both')]).toEqual([[2], [0, 2]]);
    expect(planOf(tableWith('text', ['b']), { cues: [{ ...make('extremes'), measure: 'milk' }] }).along.marked).toEqual([]);
  });
  it('months in their language', () => {
    const { categories } = planOf(tableWith('date', ['2031-05-01', '2031-05-08']), {
      data: { step: { kind: 'grain', grain: 'month' } },
      along: { language: 'de' },
    });
    expect(categories).toEqual(['Mai 2031']);
  });
});

describe('ends of an axis that are formulas', () => {
  const table = tableWith('text', ['b', 'a', 'c']);
  const ends = (axes: Asked['axes']): readonly (number | undefined)[] => {
    const scale = planOf(table, { ...(axes ? { axes } : {}) }).panels[0]?.axes[0]?.scale;
    return [scale?.low, scale?.high];
  };
  const computed: readonly [axes: Asked['axes'], expected: readonly number[]][] = [
    [{ low: '0.8 * min(milk)', high: 50 }, [8, 50]],
    [{ low: 0, high: 'max(milk) + 10' }, [0, 40]],
    [{ low: '-avg(milk)', high: 'sum(milk)' }, [-20, 60]],
  ];
  for (const [axes, expected] of computed)
    it(`${String(axes?.low)} to ${String(axes?.high)}`, () => expect(ends(axes)).toEqual(expected as number[]));

  const refused: readonly [axes: Asked['axes'], says: RegExp][] = [
    [{ low: 'milk' }, /lower end of the axis, “milk”, cannot be computed: “milk” has many values per group/],
    [{ high: 'max(cheese)' }, /No column is called “cheese”/],
    [{ high: 'max(milk) filter (where milk > 99)' }, /gives no number here/],
    [{ high: "max('x')" }, /gives no number here|needed here/],
    [{ low: 'max(milk)', high: 'min(milk)' }, /lower end of the axis, 30, must lie below its upper end, 10/],
    [{ scale: 'log', low: 'min(milk) - 10' }, /gives 0, which has no place on a log axis/],
  ];
  for (const [axes, says] of refused)
    it(`refuses ${String(axes?.low)} to ${String(axes?.high)}, and says why`, () => {
      const picture = read(table, { ...(axes ? { axes } : {}) });
      expect(picture.ok ? 'drawn' : picture.problems.map(messageFor).join(' ')).toMatch(says);
    });
});
