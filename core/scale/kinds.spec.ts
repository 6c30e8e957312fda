import {
  describeScale,
  hasPlace,
  linearScale,
  makeScale,
  minorTicksOf,
  positionOf,
  positionsOf,
  powerAt,
  scaleTimes,
  straightOf,
  stretchesOf,
  valueAt,
  zerosAligned,
  type ValueScale,
} from './index';

const linear = (low: number, high: number): ValueScale => ({ kind: 'linear', low, high, ticks: [] });
const log = (low: number, high: number, base = 10): ValueScale => ({ kind: 'log', base, low, high, ticks: [], minor: [] });
const symlog = (low: number, high: number, about: number): ValueScale => ({
  kind: 'symlog',
  base: 10,
  about,
  low,
  high,
  ticks: [],
  minor: [],
});
/** 0 to 100 on the lower half, 900 to 1,000 on the upper two fifths, a tenth for the break. */
const broken: ValueScale = {
  kind: 'broken',
  low: 0,
  high: 1000,
  ticks: [],
  stretches: [
    { low: 0, high: 100, from: 0, to: 0.5 },
    { low: 900, high: 1000, from: 0.6, to: 1 },
  ],
};

describe('value and position', () => {
  const cases: readonly [name: string, scale: ValueScale, value: number, position: number][] = [
    ['the low end', linear(0, 10), 0, 0],
    ['the high end', linear(0, 10), 10, 1],
    ['between', linear(-10, 30), 0, 0.25],
    ['beyond', linear(0, 10), 15, 1.5],
    ['below', linear(20, 40), 10, -0.5],
    ['huge ends', linear(-4e307, 4e307), 0, 0.5],
    ['one of three powers', log(1, 1000), 10, 1 / 3],
    ['the middle of a factor of a hundred', log(50, 5000), 500, 0.5],
    ['three of ten doublings', log(1, 1024, 2), 8, 0.3],
    ['below the low end of a log scale', log(10, 1000), 1, -0.5],
    ['zero on a symmetric log scale', symlog(-99, 99, 1), 0, 0.5],
    // ln(1 + 9) is half of ln(1 + 99).
    ['half way up it', symlog(0, 99, 1), 9, 0.5],
    ['the same on the other side', symlog(-99, 99, 1), -9, 0.25],
    ['within the lower stretch', broken, 50, 0.25],
    ['the beginning of a break', broken, 100, 0.5],
    ['the middle of a break', broken, 500, 0.55],
    ['the end of a break', broken, 900, 0.6],
    ['within the upper stretch', broken, 950, 0.8],
    ['beyond a broken scale its last stretch goes on', broken, 1025, 1.1],
    ['below it, its first', broken, -20, -0.1],
  ];
  for (const [name, scale, value, position] of cases)
    it(name, () => {
      expect(positionOf(scale, value)).toBeCloseTo(position, 12);
      expect(valueAt(scale, position)).toBeCloseTo(value, 9);
      expect(positionsOf(scale, Float64Array.of(NaN, value))[1]).toBeCloseTo(position, 12);
      const straight = straightOf(scale);
      if (straight) expect(straight.from + value * straight.perUnit).toBeCloseTo(position, 12);
    });

  it('a missing value has no position', () => {
    for (const scale of [linear(0, 1), log(1, 10), symlog(-1, 1, 0.1), broken]) {
      expect(positionOf(scale, NaN)).toBeNaN();
      expect(positionsOf(scale, Float64Array.of(NaN))[0]).toBeNaN();
    }
  });

  it('zero and what lies below has no place on a log scale, and one on all others', () => {
    for (const value of [0, -0, -3, -Infinity]) {
      expect(hasPlace(log(1, 10), value)).toBeFalse();
      expect(positionsOf(log(1, 10), Float64Array.of(value))[0]).toBe(-Infinity);
    }
    for (const scale of [linear(0, 1), symlog(-1, 1, 0.1), broken]) expect([hasPlace(scale, 0), hasPlace(scale, -3)]).toEqual([true, true]);
  });

  it('tells of itself what does not go without saying', () => {
    const words = [linear(0, 1), log(1, 8, 2), log(1, 8, Math.E), symlog(-9, 9, 0.5), broken].map(scale => describeScale(scale, String));
    expect(words).toEqual([
      '',
      'log scale to base 2',
      'log scale to base e',
      'symmetric log scale to base 10, straight up to 0.5 on both sides of zero',
      'axis broken between 100 and 900',
    ]);
  });

  it('knows powers of its base, and those alone', () => {
    expect([1, 10, 0.001, 20, 0].map(tick => powerAt(log(0.001, 100), tick)?.exponent)).toEqual([0, 1, -3, undefined, undefined]);
    expect([powerAt(log(1, 64, 2), 32)?.exponent, powerAt(linear(0, 100), 10)]).toEqual([5, null]);
  });

  it('times a factor, each value stands where it stood', () => {
    for (const scale of [linear(-10, 30), log(2, 500), symlog(-99, 40, 1), broken]) {
      const times = scaleTimes(scale, 40);
      for (const value of [3, 77, 450]) expect(positionOf(times, value * 40)).toBeCloseTo(positionOf(scale, value), 12);
    }
    expect(scaleTimes(linearScale([0.3]), 3).ticks).toEqual([0, 0.3, 0.6, 0.9]);
  });

  it('brings zeros to one height where both have one, and keeps a step', () => {
    const [one, other] = zerosAligned(linearScale([100]), linearScale([-10, 30], { step: 5 }), [null, 5]);
    expect([positionOf(one, 0), positionOf(other, 0)]).toEqual([0.25, 0.25]);
    expect(one.low).toBeCloseTo(-100 / 3, 9);
    expect(one.high).toBeCloseTo(100, 9);
    expect(other.ticks).toEqual([-10, -5, 0, 5, 10, 15, 20, 25, 30]);
    const apart = [log(1, 10), linear(0, 5)] as const;
    expect(zerosAligned(...apart, [null, null])).toEqual([...apart]);
  });
});

describe('any scale around any data', () => {
  /** The same numbers in every run: a linear congruential generator (Knuth, MMIX). */
  let state = 42n;
  const next = (): number => {
    state = (state * 6364136223846793005n + 1442695040888963407n) % 2n ** 64n;
    return Number(state >> 11n) / 2 ** 53;
  };
  const sizes = [1e-300, 1e-12, 1, 1e9, 1e300];
  const domains: Float64Array[] = [
    Float64Array.of(),
    Float64Array.of(NaN, NaN),
    Float64Array.of(7),
    Float64Array.of(-7, -7),
    Float64Array.of(0, 0),
    ...sizes.flatMap(size =>
      Array.from({ length: 120 }, (_, i) =>
        Float64Array.from({ length: 1 + (i % 5) }, () => (next() - (i % 3) / 2) * size * 10 ** (next() * 4)),
      ),
    ),
  ];
  const names = ['linear', 'log', 'symlog'] as const;
  const options = [{}, { base: 2 }, { base: Math.E, headroom: 0.1 }, { base: 60, lengths: true }, { zero: 'out', headroom: 0.2 }] as const;
  /** A break in the middle half of what shows. */
  const brokenOf = (values: Float64Array, option: object): ValueScale => {
    const { low, high } = linearScale(values, option);
    return makeScale('linear', values, { ...option, breaks: [{ from: low + (high - low) * 0.3, to: low + (high - low) * 0.7 }] });
  };
  const all = domains.flatMap(values =>
    options.flatMap(option => [...names.map(name => makeScale(name, values, option)), brokenOf(values, option)]),
  );

  /** The first few scales that a rule does not hold for, as words. */
  const breaking = (rule: (scale: ValueScale) => boolean): string[] =>
    all
      .filter(scale => !rule(scale))
      .slice(0, 3)
      .map(scale => JSON.stringify(scale).slice(0, 300));

  it('has ends in order, and rising ticks within them', () => {
    expect(all.length).toBe(605 * 5 * 4);
    expect(breaking(({ low, high }) => low < high && Number.isFinite(high - low))).toEqual([]);
    const slack = ({ low, high }: ValueScale): number => 1e-9 * Math.max(Math.abs(low), Math.abs(high));
    expect(breaking(scale => scale.ticks.every(tick => tick >= scale.low - slack(scale) && tick <= scale.high + slack(scale)))).toEqual([]);
    expect(breaking(({ ticks }) => ticks.every((tick, i) => i === 0 || tick > (ticks[i - 1] as number)))).toEqual([]);
    expect(breaking(({ ticks }) => ticks.length > 0 && ticks.length <= 24)).toEqual([]);
  });

  /** Values from end to end, in even steps of the scale's own. */
  const valuesOf = ({ kind, low, high }: ValueScale): number[] =>
    Array.from({ length: 21 }, (_, i) => (kind === 'log' ? low * (high / low) ** (i / 20) : low + (i / 20) * (high - low)));

  it('goes there and back within one part in 10¹²', () => {
    const isBack = (scale: ValueScale, value: number): boolean =>
      Math.abs(valueAt(scale, positionOf(scale, value)) - value) <=
      1e-12 * Math.max(Math.abs(value), scale.kind === 'log' ? 0 : scale.high - scale.low);
    expect(breaking(scale => valuesOf(scale).every(value => isBack(scale, value)))).toEqual([]);
  });

  it('rises from 0 to 1', () => {
    const rises = (positions: readonly number[]): boolean => positions.every((at, i) => i === 0 || at >= (positions[i - 1] as number));
    expect(breaking(scale => rises(valuesOf(scale).map(value => positionOf(scale, value))))).toEqual([]);
    expect(breaking(scale => Math.abs(positionOf(scale, scale.low)) + Math.abs(positionOf(scale, scale.high) - 1) < 1e-9)).toEqual([]);
  });

  it('places many as it places one', () => {
    const isAlike = (scale: ValueScale): boolean => {
      const values = valuesOf(scale);
      return positionsOf(scale, Float64Array.from(values)).every((at, i) => Math.abs(at - positionOf(scale, values[i] as number)) < 1e-9);
    };
    expect(breaking(isAlike)).toEqual([]);
  });

  it('leaves minor ticks between the ends, and stretches apart', () => {
    const within = ({ low, high }: ValueScale, tick: number): boolean =>
      tick >= low - 1e-8 * Math.abs(low) && tick <= high + 1e-8 * Math.abs(high);
    expect(breaking(scale => minorTicksOf(scale).every(tick => within(scale, tick)))).toEqual([]);
    expect(
      breaking(scale => {
        const stretches = stretchesOf(scale);
        return stretches.every(
          ({ low, high, from, to }, i) => low < high && from < to && (i === 0 || from > (stretches[i - 1]?.to as number)),
        );
      }),
    ).toEqual([]);
  });
});
