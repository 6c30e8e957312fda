import { along, applied, checkValues, frameFor, level, make, n, valuesOf } from './kind-frames.spec';

describe('helper columns of kinds that follow an order or a spread, by hand', () => {
  const A = [10, 40, 20, 30, 20, 0];
  checkValues([
    [
      'change: from the one before, the first has none',
      'change',
      {},
      [10, 15, 12, 12, n],
      [n, n, n, n, n],
      {
        previous: [n, 10, 15, 12, 12],
        difference: [n, 5, -3, 0, n],
        'percent change': [n, 0.5, -0.2, 0, n],
        direction: [n, 'rise', 'fall', 'level', n],
        rise: [n, 15, n, n, n],
      },
    ],
    [
      'change: a first row of zero',
      'change',
      { first: 'zero', as: 'difference' },
      [10, 15],
      [n, n],
      { difference: [0, 5], direction: ['level', 'rise'] },
    ],
    ['change: a first row of 5 %', 'change', { first: 'value', value: level('5') }, [10, 15], [n, n], { 'percent change': [0.05, 0.5] }],
    [
      'change: from the first',
      'change',
      { from: 'first' },
      [10, 15, 5],
      [n, n, n],
      { first: [10, 10, 10], difference: [n, 5, -5], 'percent change': [n, 0.5, -0.5], direction: [n, 'rise', 'fall'] },
    ],
    [
      'change: from the first, which counts as zero',
      'change',
      { from: 'first', first: 'zero', as: 'difference' },
      [10, 15],
      [n, n],
      { difference: [0, 5], direction: ['level', 'rise'] },
    ],
    [
      'change: a scope that falls looks forward all the same',
      'change',
      { scope: { ...along, descending: true } },
      [10, 15, 12],
      [n, n, n],
      { previous: [n, 10, 15] },
    ],
    [
      'change: from nothing has no percent; from below zero it has',
      'change',
      {},
      [0, 5, -10, -5],
      [n, n, n, n],
      { 'percent change': [n, n, -3, 0.5] },
    ],
    ['change: within each group', 'change', { scope: { ...along, within: ['g'] } }, A, A, { previous: [n, 10, 40, n, 30, 20] }],
    [
      'band: two edges',
      'band',
      { by: 'edges', lower: level('10'), upper: level('b') },
      [5, 15, 30, n],
      [20, 20, 20, 20],
      { lower: [10, 10, 10, 10], upper: [20, 20, 20, 20], outside: [5, n, 30, n], inside: [n, 15, n, n] },
    ],
    [
      'band: a centre and a width',
      'band',
      { by: 'width', centre: level('average'), width: level('4') },
      [10, 20],
      [n, n],
      { lower: [11, 11], upper: [19, 19] },
    ],
    // Mean 20, sample standard deviation 10.
    ['band: standard deviations', 'band', { by: 'deviation', k: 2 }, [10, 20, 30], [n, n, n], { lower: [0, 0, 0], upper: [40, 40, 40] }],
    // The standard error is 10 / √3 = 5.773503.
    ['band: standard errors', 'band', { by: 'error', k: 1 }, [10, 20, 30], [n, n, n], { lower: [14.226497, 14.226497, 14.226497] }],
    // Student's t with 2 degrees of freedom at 97.5 %: 4.302653; × 5.773503 = 24.841377.
    [
      'band: a confidence interval',
      'band',
      { by: 'confidence', percent: 95 },
      [10, 20, 30],
      [n, n, n],
      {
        values: [3, 3, 3],
        t: [4.302653, 4.302653, 4.302653],
        lower: [-4.841377, -4.841377, -4.841377],
        upper: [44.841377, 44.841377, 44.841377],
      },
    ],
    [
      'band: the middle half',
      'band',
      { by: 'percentiles', percent: 50 },
      [10, 20, 30, 40, 50],
      [n, n, n, n, n],
      { lower: [20, 20, 20, 20, 20], upper: [40, 40, 40, 40, 40] },
    ],
    // Two rows at a time: means 15, 25; standard deviations of two values apart by 10: 7.071068.
    [
      'band: of the two before each',
      'band',
      { by: 'deviation', k: 1, moving: 2, scope: along },
      [10, 20, 30, 50],
      [n, n, n, n],
      { lower: [n, n, 7.928932, 17.928932], upper: [n, n, 22.071068, 32.071068], outside: [n, n, 30, 50] },
    ],
    [
      'band: of the two up to each',
      'band',
      { by: 'deviation', k: 1, moving: 2, includes: true, scope: along },
      [10, 20, 30],
      [n, n, n],
      { lower: [n, 7.928932, 17.928932] },
    ],
    [
      'band: of the two before each, or as many as there are',
      'band',
      { by: 'percentiles', percent: 50, moving: 2, edges: 'partial', scope: along },
      [10, 20, 30],
      [n, n, n],
      { lower: [n, 10, 12.5], upper: [n, 10, 17.5] },
    ],
    // Mean 20, standard deviation 10, whatever the order: not 10, 15, 20 of the rows so far.
    [
      'band: all rows along an order that it does not need',
      'band',
      { by: 'deviation', scope: along },
      [10, 20, 30],
      [n, n, n],
      { lower: [10, 10, 10], upper: [30, 30, 30] },
    ],
    [
      'outlier: fences at the quartiles',
      'outlier',
      { k: 1.5 },
      [10, 11, 12, 13, 60],
      [n, n, n, n, n],
      {
        'lower quartile': [11, 11, 11, 11, 11],
        'upper quartile': [13, 13, 13, 13, 13],
        'lower fence': [8, 8, 8, 8, 8],
        'upper fence': [16, 16, 16, 16, 16],
        score: [-0.5, 0, 0, 0, 23.5],
        outlier: [n, n, n, n, 60],
      },
    ],
    [
      'outlier: standard deviations',
      'outlier',
      { method: 'deviation', k: 1 },
      [10, 20, 30, n],
      [n, n, n, n],
      { score: [-1, 0, 1, n], outlier: [n, n, n, n] },
    ],
    [
      'outlier: equal quartiles have their fences on themselves',
      'outlier',
      {},
      [5, 5, 5, 5, 100],
      [n, n, n, n, n],
      { 'lower fence': [5, 5, 5, 5, 5], 'upper fence': [5, 5, 5, 5, 5], score: [0, 0, 0, 0, n], outlier: [n, n, n, n, 100] },
    ],
    // Median 12; distances 2 1 0 1 48; their median 1; 0.6745 × 48 = 32.376. The fence: 12 + 3.5 / 0.6745 = 17.189029.
    [
      'outlier: robust scores',
      'outlier',
      { method: 'mad', k: 3.5 },
      [10, 11, 12, 13, 60],
      [n, n, n, n, n],
      {
        MAD: [1, 1, 1, 1, 1],
        score: [-1.349, -0.6745, 0, 0.6745, 32.376],
        'upper fence': [17.189029, 17.189029, 17.189029, 17.189029, 17.189029],
        outlier: [n, n, n, n, 60],
      },
    ],
    [
      'outlier: a median absolute deviation of zero measures nothing',
      'outlier',
      { method: 'mad' },
      [5, 5, 5, 5, 100],
      [n, n, n, n, n],
      { MAD: [0, 0, 0, 0, 0], outlier: [n, n, n, n, n], rest: [5, 5, 5, 5, 100] },
    ],
    ['running: a total', 'running', { of: 'total', n: 0 }, [1, 2, n, 4], [n, n, n, n], { running: [1, 3, 3, 7] }],
    ['running: a moving average', 'running', { n: 2 }, [1, 3, 5, 7], [n, n, n, n], { running: [n, 2, 4, 6] }],
    ['running: as many as there are', 'running', { n: 2, edges: 'partial' }, [1, 3, 5, 7], [n, n, n, n], { running: [1, 2, 4, 6] }],
    ['running: around each row', 'running', { n: 3, of: 'median', centred: true }, [1, 9, 5, 7], [n, n, n, n], { running: [n, 5, 7, n] }],
    // The 2 × 4 average: (1/2 · 1 + 3 + 5 + 7 + 1/2 · 13) / 4 = 5.5 and (1/2 · 3 + 5 + 7 + 13 + 1/2 · 11) / 4 = 8.
    [
      'running: around each row, of even length',
      'running',
      { n: 4, centred: true },
      [1, 3, 5, 7, 13, 11],
      [n, n, n, n, n, n],
      { running: [n, n, 5.5, 8, n, n] },
    ],
    // A missing value is passed over; the window is full of rows.
    ['running: over a missing value', 'running', { n: 2 }, [1, n, 5, 7], [n, n, n, n], { running: [n, 1, 5, 6] }],
    ['rescale: an index', 'rescale', {}, [20, 30, 10], [n, n, n], { factor: [5, 5, 5], scaled: [100, 150, 50] }],
    ['rescale: the first that is there is 100', 'rescale', {}, [n, 20, 30], [n, n, n], { scaled: [n, 100, 150] }],
    ['rescale: a chosen row is 100', 'rescale', { base: 'B' }, [20, 40, 10], [n, n, n], { scaled: [50, 100, 25] }],
    [
      'rescale: a chosen row is 100, whatever the order',
      'rescale',
      { base: 'B', scope: { ...along, column: 'a', descending: true } },
      [20, 40, 10],
      [n, n, n],
      { factor: [2.5, 2.5, 2.5], scaled: [50, 100, 25] },
    ],
    [
      'rescale: a share is one of all rows, whatever the order',
      'rescale',
      { to: 'share', scope: along },
      [1, 3, 4],
      [n, n, n],
      { scaled: [0.125, 0.375, 0.5] },
    ],
    ['rescale: share of the total', 'rescale', { to: 'share' }, [1, 3, n], [n, n, n], { scaled: [0.25, 0.75, n] }],
    ['rescale: 0 to 1', 'rescale', { to: 'unit' }, [10, 20, 30], [n, n, n], { scaled: [0, 0.5, 1] }],
    ['rescale: z-scores', 'rescale', { to: 'z' }, [10, 20, 30], [n, n, n], { scaled: [-1, 0, 1] }],
    [
      'rescale: the range of another',
      'rescale',
      { to: 'range', other: 'b' },
      [0, 5, 10],
      [100, 300, 200],
      { factor: [20, 20, 20], scaled: [100, 200, 300] },
    ],
  ]);

  describe('change from a year before, by the days of the rows', () => {
    const scope = { kind: 'along', column: 'day', descending: false, within: [] };
    const cases: readonly [name: string, days: string[], previous: (number | null)[]][] = [
      // 2 June 2031 has no such day before; 3 June 2030 lies one day off the week that would be. 10 June has its own.
      ['weeks', ['2030-06-03', '2030-06-10', '2030-06-17', '2031-06-02', '2031-06-10', '2031-06-16'], [n, n, n, 1, 2, 3]],
      // The 4th is absent a year before, and in days nothing else will do.
      [
        'days, one of them absent',
        ['2030-06-03', '2030-06-05', '2030-06-06', '2031-06-03', '2031-06-04', '2031-06-05'],
        [n, n, n, 1, n, 2],
      ],
      [
        'the 29th of February has the 28th',
        ['2031-02-27', '2031-02-28', '2031-03-01', '2032-02-28', '2032-02-29', '2032-03-01'],
        [n, n, n, 2, 2, 3],
      ],
      [
        'months by their first day',
        ['2030-01-01', '2030-02-01', '2030-03-01', '2031-01-01', '2031-02-01', '2031-03-01'],
        [n, n, n, 1, 2, 3],
      ],
      [
        'months by their last day',
        ['2030-12-31', '2031-01-31', '2031-02-28', '2031-12-31', '2032-01-31', '2032-02-29'],
        [n, n, n, 1, 2, 3],
      ],
      [
        'quarters, one of them absent',
        ['2030-01-01', '2030-07-01', '2030-10-01', '2031-01-01', '2031-04-01', '2031-07-01'],
        [n, n, n, 1, n, 2],
      ],
      ['years', ['2030-01-01', '2031-01-01', '2032-01-01', '2033-01-01', '2034-01-01', '2035-01-01'], [n, 1, 2, 3, 4, 5]],
      // 8 days apart, the day a year before lies 4 from both: the earlier one.
      ['both as far', ['2030-06-02', '2030-06-10', '2031-05-29', '2031-06-06', '2031-06-14', '2031-06-22'], [n, n, 1, 1, 2, n]],
    ];
    for (const [name, days, previous] of cases)
      it(name, () => {
        const result = applied(make('change', { from: 'year', scope }), frameFor([1, 2, 3, 4, 5, 6], [n, n, n, n, n, n], 'day', days));
        expect(valuesOf(result, 'previous')).toEqual(previous);
      });
  });
});
