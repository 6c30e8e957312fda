import { plainMeasure } from 'core/frame';
import { firstFigure } from 'core/brief';
import type { Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { named, tableOf, valuesFrom, type Cell } from 'core/table';
import { countValues } from './count-values';
import { tryFormula } from './try-formula';
import type { Trial, TrialAsk, ValueCount } from './api';

const table = tableOf({ hut: ['Alm', 'Berg', 'Alm'], valley: ['Tolm', 'Siddel', 'Tolm'], milk: [10, 20, null] as number[] }, 'deliveries');
const figure: Figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: table.columns });

function tried(formula: string, place: TrialAsk['place'], shown: Figure = figure): Trial | string {
  const read = tryFormula({ formula, place, figure: shown, table: 'd' }, table);
  return read.ok ? read.value : read.problems.map(messageFor).join();
}

describe('trying a formula', () => {
  const cases: readonly [formula: string, place: TrialAsk['place'], rows: [string, string | null][]][] = [
    [
      'milk * 2',
      'column',
      [
        ['Alm', '20'],
        ['Berg', '40'],
        ['Alm', null],
      ],
    ],
    [
      'sum(milk) / count(*)',
      'measure',
      [
        ['Alm', '5'],
        ['Berg', '20'],
      ],
    ],
    [
      'rank() over (order by milk desc)',
      'helper',
      [
        ['Berg', '1'],
        ['Alm', '2'],
      ],
    ],
    [
      "valley = 'Tolm'",
      'filter',
      [
        ['Alm', 'true'],
        ['Berg', 'false'],
        ['Alm', 'true'],
      ],
    ],
  ];
  for (const [formula, place, rows] of cases)
    it(`${formula} as ${place}`, () => {
      const trial = tried(formula, place) as Trial;
      expect(trial.rows.map(({ name, value }): [string, string | null] => [name, value])).toEqual(rows);
      expect(trial.spark.length).toBe(trial.type === 'number' ? rows.length : 0);
    });
  const faults: readonly [formula: string, place: TrialAsk['place'], says: RegExp][] = [
    ['milk', 'filter', /boolean is needed/],
    ['milk', 'measure', /many values per group/],
    ['mlik', 'column', /Did you mean milk/],
    ['herd', 'helper', /No column is called “herd”/],
  ];
  for (const [formula, place, says] of faults)
    it(`${formula} as ${place} is refused`, () => expect(tried(formula, place) as string).toMatch(says));
  it('a figure that has no frame says why', () =>
    expect(tried('milk', 'helper', { ...figure, data: { ...figure.data, measures: [plainMeasure('m', 'sum(x)')] } }) as string).toMatch(
      /No column is called “x”/,
    ));
  it('long results are thinned for the tiny chart', () => {
    const long = tableOf({ hut: Array.from({ length: 3000 }, (_, i) => `h${i}`), milk: Array.from({ length: 3000 }, (_, i) => i) });
    const read = tryFormula({ formula: 'milk', place: 'column', figure, table: 'd' }, long);
    expect(read.ok && [read.value.spark.length, read.value.spark.at(-1), read.value.rows.length]).toEqual([240, 2999, 7]);
  });
});

describe('values of a column with their counts', () => {
  const cases: readonly [name: string, values: ReturnType<typeof valuesFrom>, counts: ValueCount[]][] = [
    [
      'texts in order, missing last',
      valuesFrom('text', ['b', null, 'a', 'b']),
      [
        { value: 'a', count: 1 },
        { value: 'b', count: 2 },
        { value: null, count: 1 },
      ],
    ],
    [
      'numbers by size',
      valuesFrom('number', [10, 9, 10]),
      [
        { value: '9', count: 1 },
        { value: '10', count: 2 },
      ],
    ],
    [
      'days in time',
      valuesFrom('date', ['2031-06-02', '2031-05-02']),
      [
        { value: '2031-05-02', count: 1 },
        { value: '2031-06-02', count: 1 },
      ],
    ],
    [
      'yes and no',
      valuesFrom('boolean', [true, false, null] as Cell[]),
      [
        { value: 'false', count: 1 },
        { value: 'true', count: 1 },
        { value: null, count: 1 },
      ],
    ],
  ];
  for (const [name, values, counts] of cases) it(name, () => expect(countValues(named('c', values), values.data.length)).toEqual(counts));
});
