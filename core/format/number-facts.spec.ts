import { numberFacts } from './number-facts';

describe('facts of numbers', () => {
  const rows: readonly (readonly [what: string, values: readonly number[], low: number, high: number, whole: boolean, missing: number])[] =
    [
      ['whole ones', [3, 1, 2], 1, 3, true, 0],
      ['a fraction', [3, 1.5, 2], 1.5, 3, false, 0],
      ['negative ones', [-3, -1], -3, -1, true, 0],
      ['some missing', [NaN, 4, NaN], 4, 4, true, 2],
      ['a fraction beside missing ones', [NaN, 0.25], 0.25, 0.25, false, 1],
      ['all missing', [NaN, NaN], Infinity, -Infinity, true, 2],
      ['none', [], Infinity, -Infinity, true, 0],
    ];
  for (const [what, values, low, high, whole, missing] of rows)
    it(`of ${what}`, () => expect(numberFacts(Float64Array.from(values))).toEqual({ low, high, whole, missing }));

  it('are found once for one memory', () => {
    const values = Float64Array.from([1, 2]);
    expect(numberFacts(values)).toBe(numberFacts(values));
  });
});
