import { tableOf } from 'core/table';
import { binsOf, frameOf, plainMeasure } from './index';

describe('bins', () => {
  const cases: readonly [width: number, value: number, lowerEnd: number][] = [
    [0.1, 5.1, 5.1],
    [0.1, 0.3, 0.3],
    [0.1, 0.29, 0.2],
    [0.1, -0.3, -0.3],
    [0.1, -0.31, -0.4],
    [0.2, 5.1, 5],
    [0.2, 0.6, 0.6],
    [0.2, -0.6, -0.6],
    [0.2, -0.5, -0.6],
    [0.25, 0.75, 0.75],
    [0.25, 0.74, 0.5],
    [2.5, 7.5, 7.5],
    [2.5, -0.1, -2.5],
    [0.7, 2.1, 2.1],
    [0.7, 4.9, 4.9],
    [0.03, 0.09, 0.09],
    [1000, 2999, 2000],
    [1000, -1, -1000],
    [1e-7, 3e-7, 3e-7],
    [1e21, 2.5e21, 2e21],
    [0.1, 0, 0],
  ];
  for (const [width, value, end] of cases)
    it(`${value} in bins of ${width} lies in the one from ${end}`, () => {
      const { indexOf, lowerEnd } = binsOf(width);
      expect(lowerEnd(indexOf(value))).toBe(end);
    });
  it('ratings with one decimal are each in their own bin of 0.1, and in the even one below in bins of 0.2', () => {
    const [tenth, fifth] = [binsOf(0.1), binsOf(0.2)];
    for (let tenths = -200; tenths <= 200; tenths++) {
      const rating = Number((tenths / 10).toFixed(1));
      expect(tenth.lowerEnd(tenth.indexOf(rating)) + 0).toBe(rating + 0);
      expect(fifth.lowerEnd(fifth.indexOf(rating)) + 0).toBe(Number(((tenths - (Math.abs(tenths) % 2)) / 10).toFixed(1)) + 0);
    }
  });
  it('a missing value has none', () => expect(binsOf(0.1).lowerEnd(binsOf(0.1).indexOf(NaN))).toBeNaN());
  it('the figure names bins by their lower end, empty ones with a count of 0', () => {
    const read = frameOf(tableOf({ rating: [5.1, 5.1, 5.19, 5.4, 4.9] }), {
      table: 't',
      category: 'rating',
      step: { kind: 'bin', width: 0.1 },
      outer: [],
      seriesStep: null,
      empty: 'missing',
      series: null,
      panel: null,
      measures: [plainMeasure('n', 'count(*)')],
      helpers: [],
      filters: [],
      order: { by: 'category', descending: false },
      whatIfs: [],
    });
    const [names, counts] = read.ok ? read.value.table.columns : [];
    expect([...(names?.data ?? [])]).toEqual([4.9, 5, 5.1, 5.2, 5.3, 5.4]);
    expect([...(counts?.data ?? [])]).toEqual([1, 0, 3, 0, 0, 1]);
  });
});
