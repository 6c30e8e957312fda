import { linearScale, type LinearScaleOptions } from './index';

describe('linear scales', () => {
  const cases: readonly [name: string, values: number[], options: LinearScaleOptions, low: number, high: number, ticks: number[]][] = [
    ['zero belongs to bars', [3, 9], {}, 0, 10, [0, 2, 4, 6, 8, 10]],
    ['negative values reach below zero', [-4, 9], {}, -6, 12, [-6, -3, 0, 3, 6, 9, 12].filter(tick => tick % 3 === 0)],
    ['only negative values end at zero', [-8, -2], {}, -8, 0, [-8, -6, -4, -2, 0]],
    ['without zero the scale fits the data', [94, 99], { zero: false }, 94, 99, [94, 95, 96, 97, 98, 99]],
    ['headroom ends the scale beyond the last tick', [94_190], { headroom: 0.1 }, 0, 103_609, [0, 25_000, 50_000, 75_000, 100_000]],
    ['headroom on both sides of zero', [-10, 10], { headroom: 0.1 }, -12, 12, [-10, -5, 0, 5, 10]],
    ['small numbers without dust', [0.3], {}, 0, 0.3, [0, 0.1, 0.2, 0.3]],
    ['missing values are passed over', [NaN, 4, NaN], {}, 0, 4, [0, 1, 2, 3, 4]],
    ['no value at all', [], {}, 0, 1, [0, 0.2, 0.4, 0.6, 0.8, 1]],
    ['zeros alone', [0, 0], {}, 0, 1, [0, 0.2, 0.4, 0.6, 0.8, 1]],
    ['one value, zero not wanted', [5], { zero: false }, 0, 5, [0, 1, 2, 3, 4, 5]],
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
        expect([...scale.ticks]).toEqual(ticks);
        expect(scale.low).toBeCloseTo(low, 6);
        expect(scale.high).toBeCloseTo(high, 6);
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
