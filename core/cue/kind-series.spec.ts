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
      { first: [10, 10, 10], 'percent change': [0, 0.5, -0.5] },
    ],
    [
      'change: from nothing has no percent; from below zero it has',
      'change',
      {},
      [0, 5, -10, -5],
      [n, n, n, n],
      { 'percent change': [n, n, -3, 0.5] },
    ],
    ['change: within each group', 'change', { scope: { ...along, within: 'g' } }, A, A, { previous: [n, 10, 40, n, 30, 20] }],
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
    // 1.959964 × 5.773503 = 11.315857.
    [
      'band: a confidence interval',
      'band',
      { by: 'confidence', percent: 95 },
      [10, 20, 30],
      [n, n, n],
      { upper: [31.315857, 31.315857, 31.315857] },
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
      'band: moving',
      'band',
      { by: 'deviation', k: 1, moving: 2, scope: along },
      [10, 20, 30],
      [n, n, n],
      { lower: [n, 7.928932, 17.928932] },
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
    // Median 12; distances 2 1 0 1 48; their median 1.
    [
      'outlier: median absolute deviations',
      'outlier',
      { method: 'mad', k: 3 },
      [10, 11, 12, 13, 60],
      [n, n, n, n, n],
      { MAD: [1, 1, 1, 1, 1], score: [-2, -1, 0, 1, 48], outlier: [n, n, n, n, 60] },
    ],
    ['running: a total', 'running', { of: 'total', n: 0 }, [1, 2, n, 4], [n, n, n, n], { running: [1, 3, 3, 7] }],
    ['running: a moving average', 'running', { n: 2 }, [1, 3, 5, 7], [n, n, n, n], { running: [1, 2, 4, 6] }],
    ['running: around each row', 'running', { n: 3, of: 'median', centred: true }, [1, 9, 5, 7], [n, n, n, n], { running: [5, 5, 7, 6] }],
    ['rescale: an index', 'rescale', {}, [20, 30, 10], [n, n, n], { factor: [5, 5, 5], scaled: [100, 150, 50] }],
    ['rescale: the first that is there is 100', 'rescale', {}, [n, 20, 30], [n, n, n], { scaled: [n, 100, 150] }],
    ['rescale: a chosen row is 100', 'rescale', { base: 'B' }, [20, 40, 10], [n, n, n], { scaled: [50, 100, 25] }],
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

  it('change: the same day a year before, or the nearest week', () => {
    const scope = { kind: 'along', column: 'day', descending: false, within: null };
    const result = applied(make('change', { from: 'year', scope }), frameFor([1, 2, 3, 10, 20, 30], [n, n, n, n, n, n], 'day'));
    // 2 June 2031 has no such day before; 3 June 2030 lies 364 days back. 10 June has its own.
    expect(valuesOf(result, 'previous')).toEqual([n, n, n, 1, 2, 3]);
  });
});
