import { formatNumber, type NumberStyle } from './index';

describe('numbers for reading', () => {
  const cases: readonly [value: number, style: NumberStyle, text: string][] = [
    [94_190, {}, '94,190'],
    [1_234.56, {}, '1,235'],
    [123.456, {}, '123.5'],
    [12.345, {}, '12.35'],
    [0.012345, {}, '0.01235'],
    [0, {}, '0'],
    [-3, {}, '−3'],
    [-0, {}, '0'],
    [-0.4, { decimals: 0 }, '0'],
    [-0.04, { decimals: 1, unit: 'l' }, '0.0 l'],
    [NaN, {}, '–'],
    [NaN, { unit: 'L' }, '–'],
    [0.00001234, {}, '1.23e−5'],
    [2.5, { decimals: 2 }, '2.50'],
    [2.5, { decimals: 0 }, '3'],
    [1e15, { unit: 'kg' }, '1,000,000,000,000,000 kg'],
    [0.0078571, { percent: true }, '0.79 %'],
    [0.00078571, { percent: true }, '0.07857 %'],
    [0.11234, { percent: true }, '11.23 %'],
    [21_400, { unit: 'L', decimals: 1 }, '21,400.0 L'],
  ];
  for (const [value, style, text] of cases)
    it(`${Object.is(value, -0) ? '−0' : value} ${JSON.stringify(style)} as ${text}`, () => expect(formatNumber(value, style)).toBe(text));
});
