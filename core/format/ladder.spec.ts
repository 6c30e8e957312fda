import { formatNumber, LADDERS, ladderText, oneDecimals, readLadder, rungFor, type NumberStyle } from './index';

const counts: NumberStyle = { ladder: LADDERS.counts };

describe('a unit that fits each value', () => {
  const cases: readonly [value: number, style: NumberStyle, text: string][] = [
    [498_800, counts, '498.8 K'],
    [2_200_000, counts, '2.2 M'],
    [999, counts, '999'],
    [0, counts, '0'],
    [-45_000, counts, '−45 K'],
    // What rounds up to the next unit is written in it.
    [999_960, { ...counts, decimals: 1 }, '1.0 M'],
    [999_940, { ...counts, decimals: 1 }, '999.9 K'],
    [999_999, counts, '1 M'],
    [5e13, counts, '50,000 bn'],
    [0.4, { ladder: LADDERS.grams }, '0.4 g'],
    [12_500, { ladder: LADDERS.grams, decimals: 1 }, '12.5 kg'],
    [0.25, { ladder: LADDERS.litres }, '250 mL'],
    [350, { ladder: LADDERS.litres }, '3.5 hL'],
    [1_234_567, { ...counts, significant: 2 }, '1.2 M'],
    [4_500_000, { ...counts, prefix: '€' }, '€4.5 M'],
    [-4_500_000, { ...counts, prefix: '€', parentheses: true }, '(€4.5 M)'],
    [0.5, { percent: true, ladder: LADDERS.counts }, '50 %'],
    [2500, { ladder: [], decimals: 0 }, '2,500'],
    [7, { ladder: [{ symbol: 'pair', size: 2 }], decimals: 1 }, '3.5 pair'],
  ];
  for (const [value, style, text] of cases) it(`${value} as ${text}`, () => expect(formatNumber(value, style)).toBe(text));

  it('one unit for all is the largest that the largest fills', () => {
    const style = oneDecimals({ ...counts, unitForAll: true }, [498_800, 2_200_000, NaN]);
    expect([498_800, 2_200_000].map(value => formatNumber(value, style))).toEqual(['0.50 M', '2.20 M']);
    const each = oneDecimals(counts, [498_800, 2_200_000]);
    expect([498_800, 2_200_000].map(value => formatNumber(value, each))).toEqual(['498.8 K', '2.2 M']);
    const none = oneDecimals({ ...counts, unitForAll: true }, [NaN]);
    expect(formatNumber(3, none)).toBe('3');
  });
  it('what is smaller than every unit is written in the smallest', () => expect(rungFor(1e-9, LADDERS.litres).symbol).toBe('mL'));
});

describe('other ways of writing', () => {
  const cases: readonly [value: number, style: NumberStyle, text: string][] = [
    [1234.5, { significant: 3 }, '1,230'],
    [0.0012345, { significant: 2 }, '0.0012'],
    [1_234_567.8, { decimals: 1, language: 'de' }, '1.234.567,8'],
    [1_234_567, { decimals: 0, language: 'en-IN' }, '12,34,567'],
    [12, { signed: true }, '+12'],
    [0, { signed: true }, '0'],
    [0.001, { signed: true, decimals: 1 }, '0.0'],
    [-12, { signed: true }, '−12'],
    [-12, { parentheses: true, unit: 'L' }, '(12 L)'],
    [-12, { language: 'sv', decimals: 0 }, '−12'],
    [NaN, { missing: 'n/a' }, 'n/a'],
    [NaN, { missing: '' }, ''],
  ];
  for (const [value, style, text] of cases) it(`${value} ${JSON.stringify(style)}`, () => expect(formatNumber(value, style)).toBe(text));
});

describe('a ladder as it is typed', () => {
  it('is read back as it was written', () => {
    for (const ladder of Object.values(LADDERS)) expect(readLadder(ladderText(ladder))).toEqual({ ladder: [...ladder] });
    expect(readLadder('  ')).toEqual({ ladder: [] });
    expect(readLadder('crate = 12,gross=144')).toEqual({
      ladder: [
        { symbol: 'crate', size: 12 },
        { symbol: 'gross', size: 144 },
      ],
    });
  });
  const faults: readonly [text: string, says: RegExp][] = [
    ['kg', /“kg” is no unit/],
    ['g = 1, kg = many', /“kg = many” is no unit/],
    ['g = 0', /“g = 0” is no unit/],
    ['g = -1', /no unit/],
    ['kg = 1000, g = 1', /g must be larger than kg/],
    ['a = 5, b = 5', /b must be larger than a/],
  ];
  for (const [text, says] of faults)
    it(`refuses ${text}`, () => {
      const read = readLadder(text);
      expect('fault' in read ? read.fault : 'taken').toMatch(says);
    });
});
