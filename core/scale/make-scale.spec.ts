import {
  makeScale,
  minorTicksOf,
  movedBreak,
  proposeBreaks,
  stretchesOf,
  type BreakOffer,
  type ScaleName,
  type ScaleOptions,
} from './index';

const scaleOf = (name: ScaleName, values: readonly number[], options: ScaleOptions = {}) =>
  makeScale(name, Float64Array.from(values), options);
const rounded = (values: readonly number[]): number[] => values.map(value => Number(value.toPrecision(9)));

describe('log scales', () => {
  const cases: readonly [name: string, values: number[], options: ScaleOptions, ends: [number, number], ticks: number[]][] = [
    ['round ends: 1, 2 or 5 times a power', [4e3, 2.6e6], {}, [2e3, 5e6], [1e4, 1e5, 1e6]],
    ['a power at an end is that end', [1, 1000], {}, [1, 1000], [1, 10, 100, 1000]],
    ['a bar has a length, however short', [1, 1000], { lengths: true }, [0.5, 1000], [1, 10, 100, 1000]],
    ['base 2 ends at powers', [3, 100], { base: 2 }, [2, 128], [2, 4, 8, 16, 32, 64, 128]],
    ['many powers are numbered here and there', [1, 2 ** 20], { base: 2 }, [1, 2 ** 20], [1, 8, 64, 512, 4096, 32768, 262144]],
    ['every second power', [1, 1e6], { every: 2 }, [1, 1e6], [1, 100, 1e4, 1e6]],
    ['own ends need not be powers', [40, 7000], { low: 30, high: 9000 }, [30, 9000], [100, 1000]],
    ['two numbers at least: round multiples', [120, 900], {}, [100, 1000], [100, 1000]],
    ['within one power', [210, 480], {}, [200, 500], [200, 500]],
    ['within less than a multiple: round numbers', [6.1, 6.9], { low: 6, high: 7 }, [6, 7], [6, 6.2, 6.4, 6.6, 6.8, 7]],
    ['zero and negative values are passed over', [0, -5, 20, 80, NaN], {}, [20, 100], [20, 50, 100]],
    ['none above zero', [0, -5], {}, [1, 10], [1, 10]],
    ['one value', [7], {}, [5, 10], [5, 10]],
    ['a bound above all data gives one round step', [5], { low: 100 }, [100, 200], [100, 200]],
    // A tenth of the axis: ln(100) is nine tenths of ln(100 · 100^(1/9)).
    ['headroom is a share of the axis', [1, 100], { headroom: 0.1 }, [1, 100 * 100 ** (1 / 9)], [1, 10, 100]],
    ['headroom in data units', [1, 100], { headroomBy: 50 }, [1, 150], [1, 10, 100]],
    ['a base that is large', [1, 3600], { base: 60 }, [1, 3600], [1, 60, 3600]],
  ];
  for (const [name, values, options, ends, ticks] of cases)
    it(name, () => {
      const scale = scaleOf('log', values, options);
      expect(rounded([scale.low, scale.high])).toEqual(rounded(ends));
      expect(rounded(scale.ticks)).toEqual(ticks);
    });

  it('minor ticks: 2 to 9 between powers, whole powers between numbered ones', () => {
    expect(minorTicksOf(scaleOf('log', [1, 100])).slice(0, 9)).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 20]);
    expect(minorTicksOf(scaleOf('log', [1, 1e4], { every: 2 }))).toEqual([10, 1000]);
    expect(minorTicksOf(scaleOf('log', [1, 8], { base: 2 }))).toEqual([]);
  });
});

describe('symmetric log scales', () => {
  const cases: readonly [name: string, values: number[], options: ScaleOptions, ends: [number, number], ticks: number[]][] = [
    ['both sides of zero', [-300, 2, 4000], {}, [-500, 5000], [-100, -1, 0, 1, 100, 1e4].filter(tick => tick >= -500 && tick <= 5000)],
    ['nothing below zero: it begins there', [0, 5, 90], {}, [0, 100], [0, 1, 10, 100]],
    ['nothing above', [-90, -5], {}, [-100, 0], [-100, -10, -1, 0]],
    ['zeros alone', [0, 0], {}, [0, 1], [0, 1]],
    // A tenth of the way from −99 to 99, about 1: ln(100) on each side, a tenth of both together.
    [
      'headroom is a share of the whole way, on both sides',
      [-99, 1, 99],
      { headroom: 0.1 },
      [1 - 100 ** 1.2, 100 ** 1.2 - 1],
      [-100, -10, -1, 0, 1, 10, 100],
    ],
    ['own ends', [-300, 4000], { low: -1000, high: 10_000, every: 1 }, [-1000, 10_000], [-1000, -100, 0, 100, 1000, 10_000]],
  ];
  for (const [name, values, options, ends, ticks] of cases)
    it(name, () => {
      const scale = scaleOf('symlog', values, options);
      expect(rounded([scale.low, scale.high])).toEqual(rounded(ends));
      expect(scale.ticks).toEqual(ticks);
    });
});

describe('capped scales', () => {
  const cases: readonly [name: string, values: number[], options: ScaleOptions, ends: [number, number]][] = [
    ['headroom ends at the ceiling', [93], { headroom: 0.1, ceiling: 100 }, [0, 100]],
    ['headroom below the ceiling stays', [60], { headroom: 0.1, ceiling: 100 }, [0, 66]],
    ['none once it is reached', [100, 20], { headroom: 0.1, ceiling: 100 }, [0, 100]],
    ['rounding does not pass it either', [95], { ceiling: 98 }, [0, 98]],
    ['data above it shows, without headroom', [104], { headroom: 0.1, ceiling: 100 }, [0, 104]],
    ['a floor likewise', [-9, 5], { headroom: 0.2, floor: -10 }, [-10, 7.8]],
    ['data below the floor shows', [-12, 5], { headroom: 0.2, floor: -10 }, [-12, 8.4]],
    ['a bound of the analyst’s own goes before', [50], { high: 120, ceiling: 100 }, [0, 120]],
    ['headroom in data units', [60], { headroomBy: 5 }, [0, 65]],
  ];
  for (const [name, values, options, ends] of cases)
    it(name, () => {
      const { low, high, ticks } = scaleOf('linear', values, options);
      expect(rounded([low, high])).toEqual(ends);
      expect(Math.max(...ticks)).toBeLessThanOrEqual(high);
    });
  it('a step by hand numbers every step; one too fine is passed over', () => {
    expect(scaleOf('linear', [90], { step: 30 }).ticks).toEqual([0, 30, 60, 90]);
    expect(scaleOf('linear', [90], { step: 0.001 }).ticks).toEqual([0, 20, 40, 60, 80, 100]);
  });
});

describe('broken scales', () => {
  const oneHigh = [20, 90, 60, 1010];
  it('leaves a stretch out, with round numbers in both that are left', () => {
    const scale = scaleOf('linear', oneHigh, { breaks: [{ from: 100, to: 950 }] });
    // What shows is 100 and, of the rest, 60 of 160: 1,010 folded is 160, a round end.
    expect([scale.kind, scale.low, scale.high]).toEqual(['broken', 0, 1050]);
    const [lower, upper] = stretchesOf(scale);
    // Half of what the break leaves each: 100 and 100.
    expect([lower?.low, lower?.high, lower?.from, lower?.to]).toEqual([0, 100, 0, 0.475]);
    expect([upper?.low, upper?.high, upper?.to]).toEqual([950, 1050, 1]);
    expect(upper?.from).toBeCloseTo(0.525, 12);
    expect(scale.ticks).toEqual([0, 50, 100, 950, 1000, 1050]);
  });
  it('gives each stretch the share that it is given', () => {
    const stretches = stretchesOf(scaleOf('linear', oneHigh, { breaks: [{ from: 100, to: 950 }], shares: [80, 20] }));
    expect(stretches[0]?.to).toBeCloseTo(0.76, 12);
    expect(stretches[1]?.from).toBeCloseTo(0.81, 12);
  });
  it('several breaks', () => {
    const scale = scaleOf('linear', [10, 480, 990], {
      breaks: [
        { from: 20, to: 450 },
        { from: 500, to: 970 },
      ],
    });
    expect(stretchesOf(scale).map(({ low, high }) => [low, high])).toEqual([
      [0, 20],
      [450, 500],
      [970, 1000],
    ]);
  });
  it('an end of a break is moved as far as there is room', () => {
    const two = [
      { from: 10, to: 20 },
      { from: 30, to: 40 },
    ];
    expect(movedBreak(two, 0, 'to', 25)[0]).toEqual({ from: 10, to: 25 });
    expect(movedBreak(two, 1, 'from', 22)[1]).toEqual({ from: 22, to: 40 });
    for (const [nth, end, value] of [
      [0, 'to', 30],
      [0, 'from', 20],
      [1, 'from', 20],
      [1, 'to', 29],
    ] as const)
      expect(movedBreak(two, nth, end, value)).toEqual(two);
  });
  const nothing: readonly [name: string, values: number[], from: number, to: number][] = [
    ['above all data', [1, 9], 20, 30],
    ['below all data', [1, 9], -30, -20],
    ['no data at all', [], 3, 4],
  ];
  for (const [name, values, from, to] of nothing)
    it(`a break leaves nothing out: ${name}`, () => expect(scaleOf('linear', values, { breaks: [{ from, to }] }).kind).toBe('linear'));

  const offers: readonly [name: string, values: number[], lengths: boolean, expected: readonly BreakOffer[]][] = [
    // Between 90 and 1,010; of the 90 left, 6 % stay free above the break, and twice as much below: 100.8 to 1,004.6, in steps of 25.
    ['one value dwarfs the rest', oneHigh, true, [{ from: 125, to: 1000, frees: 875 / 1010 }]],
    ['no gap is worth a mark', [10, 20, 30, 40], true, []],
    ['bars that begin at zero and are all alike', [980, 990, 1000], true, [{ from: 25, to: 975, frees: 0.95 }]],
    ['points that are all alike', [980, 990, 1000], false, []],
    ['no value', [NaN], true, []],
  ];
  for (const [name, values, lengths, expected] of offers)
    it(`proposes: ${name}`, () => {
      const found = proposeBreaks(Float64Array.from(values), lengths);
      expect(found.map(({ from, to }) => [from, to])).toEqual(expected.map(({ from, to }) => [from, to]));
      found.forEach(({ frees }, i) => expect(frees).toBeCloseTo(expected[i]?.frees as number, 12));
    });
});
