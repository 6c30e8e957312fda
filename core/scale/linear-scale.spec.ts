import { linearScale, type LinearScaleOptions } from './index';

describe('linear scales', () => {
  const cases: readonly [name: string, values: number[], options: LinearScaleOptions, low: number, high: number, ticks: number[]][] = [
    ['zero belongs to bars', [3, 9], {}, 0, 10, [0, 2, 4, 6, 8, 10]],
    ['negative values reach below zero', [-4, 9], {}, -6, 12, [-6, -3, 0, 3, 6, 9, 12].filter(tick => tick % 3 === 0)],
    ['only negative values end at zero', [-8, -2], {}, -8, 0, [-8, -6, -4, -2, 0]],
    ['without zero the scale fits the data', [94, 99], { zero: 'free' }, 94, 99, [94, 95, 96, 97, 98, 99]],
    ['headroom ends the scale beyond the last tick', [94_190], { headroom: 0.1 }, 0, 103_609, [0, 25_000, 50_000, 75_000, 100_000]],
    ['headroom on both sides of zero', [-10, 10], { headroom: 0.1 }, -12, 12, [-10, -5, 0, 5, 10]],
    ['small numbers without dust', [0.3], {}, 0, 0.3, [0, 0.1, 0.2, 0.3]],
    ['missing values are passed over', [NaN, 4, NaN], {}, 0, 4, [0, 1, 2, 3, 4]],
    ['no value at all', [], {}, 0, 1, [0, 0.2, 0.4, 0.6, 0.8, 1]],
    ['zeros alone', [0, 0], {}, 0, 1, [0, 0.2, 0.4, 0.6, 0.8, 1]],
    ['one value, zero not wanted', [5], { zero: 'free' }, 0, 5, [0, 1, 2, 3, 4, 5]],
    // Fitting ends round to 0 from 5; left out, the axis starts a twentieth of the span below the data.
    ['zero as it falls', [5, 100], { zero: 'free' }, 0, 100, [0, 20, 40, 60, 80, 100]],
    ['zero left out', [5, 100], { zero: 'out' }, 2.5, 100, [20, 40, 60, 80, 100]],
    ['zero left out below', [-100, -5], { zero: 'out' }, -100, -2.5, [-100, -80, -60, -40, -20]],
    ['zero left out of one value', [50], { zero: 'out' }, 42.5, 55, [42.5, 45, 47.5, 50, 52.5, 55]],
    ['zero between the data cannot be left out', [-5, 100], { zero: 'out' }, -25, 100, [-25, 0, 25, 50, 75, 100]],
    ['headroom makes no negative half', [0.1, 9], { zero: 'free', headroom: 0.3 }, 0, 11.67, [0, 2.5, 5, 7.5, 10]],
    ['an upper bound below the data', [90, 2140], { zero: 'out', high: 60 }, 58.75, 60, [58.75, 59, 59.25, 59.5, 59.75, 60]],
    // A tenth of what shows, 20 to 60, not of 2,120.
    ['an upper bound with zero left out', [20, 2140], { zero: 'out', high: 60, headroom: 0.1 }, 10, 60, [10, 20, 30, 40, 50, 60]],
    ['a lower bound', [20, 90], { low: 50 }, 50, 90, [50, 60, 70, 80, 90]],
    ['a bound keeps headroom on the other side', [20, 100], { low: 50, headroom: 0.1 }, 50, 105, [60, 80, 100]],
    ['denormal numbers', [5e-324, 1e-320], {}, 0, 1e-290, [0, 2e-291, 4e-291, 6e-291, 8e-291, 1e-290]],
    ['the smallest steps', [1e-25, 3e-25], {}, 0, 3e-25, [0, 1e-25, 2e-25, 3e-25]],
    ['very large', [3e12], {}, 0, 3e12, [0, 1e12, 2e12, 3e12]],
  ];
  for (const [name, values, options, low, high, ticks] of cases)
    it(name, () => {
      const scale = linearScale(values, options);
      expect([scale.low, scale.high]).toEqual([jasmine.any(Number), jasmine.any(Number)]);
      if (name.startsWith('negative')) {
        expect(scale.low).toBeLessThanOrEqual(-4);
        expect(scale.ticks).toContain(0);
      } else {
        expect(scale.ticks.map(tick => Number(tick.toPrecision(9)))).toEqual(ticks);
        expect(scale.low).toBeCloseTo(low, 6);
        expect(scale.high).toBeCloseTo(high, 6);
      }
    });

  it('measures whatever a float can hold', () => {
    const far: readonly (readonly [number[], LinearScaleOptions])[] = [
      [[-1.7e308, 1.7e308], {}],
      [[1.7e308], { headroom: 0.5 }],
      [[1e308, 1.0000000000000002e308], { zero: 'free' }],
      [[1], { low: 1e308, high: -1e308 }],
      [[1], { low: 5e-324, high: 1e-323 }],
      [[1e15, 1e15 + 0.25], { zero: 'out' }],
    ];
    for (const [values, options] of far) {
      const { low, high, ticks } = linearScale(values, options);
      expect([low < high, Number.isFinite(high - low), ticks.length > 0, ticks.length < 20]).toEqual([true, true, true, true]);
    }
  });
  it('covers any data, with two to twelve evenly spaced ticks', () => {
    for (let i = 1; i <= 300; i++) {
      const values = [Math.sin(i) * 10 ** (i % 9), Math.cos(i * 7) * 10 ** (i % 7)];
      const { low, high, ticks } = linearScale(values, { headroom: i % 2 ? 0 : 0.1 });
      expect(low).toBeLessThanOrEqual(Math.min(0, ...values));
      expect(high).toBeGreaterThanOrEqual(Math.max(0, ...values));
      expect(ticks.length).toBeGreaterThanOrEqual(2);
      expect(ticks.length).toBeLessThanOrEqual(12);
      const steps = ticks.slice(1).map((tick, at) => tick - (ticks[at] as number));
      for (const step of steps) expect(step / (steps[0] as number)).toBeCloseTo(1, 6);
    }
  });
});
