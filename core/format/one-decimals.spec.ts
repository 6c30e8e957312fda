import { formatNumber, oneDecimals, type NumberStyle } from './index';

describe('one number of decimals', () => {
  const rows: readonly [name: string, values: readonly number[], style: NumberStyle, texts: readonly string[]][] = [
    ['percents of all sizes', [0.112, 0.0513, 0.0078571], { percent: true }, ['11.20 %', '5.13 %', '0.79 %']],
    ['whole numbers', [3, 94_190, NaN], {}, ['3', '94,190', '–']],
    ['as many as are needed', [2.5, 3, 10.25], {}, ['2.50', '3.00', '10.25']],
    ['no more than the largest is read with', [1234.56, 0.5], {}, ['1,235', '1']],
    ['hundreds', [123.456, 7], {}, ['123.5', '7.0']],
    ['small numbers', [0.012345, 0.5], {}, ['0.01235', '0.50000']],
    ['tenths of ticks', [0, 0.5, 1], {}, ['0.0', '0.5', '1.0']],
    ['what floats make of tenths', [0.1, 0.2, 0.1 + 0.2], {}, ['0.1', '0.2', '0.3']],
    ['in units of a thousand', [1500, 2000], { scale: 1000 }, ['1.5', '2.0']],
    ['decimals that are said are kept', [2.5, 3], { decimals: 0 }, ['3', '3']],
    ['too small for decimals', [0.00001234, 0], {}, ['1.23e−5', '0']],
    ['nothing', [], {}, []],
    ['all missing', [NaN], {}, ['–']],
    ['negative ones', [-0.25, -12], {}, ['−0.25', '−12.00']],
  ];
  for (const [name, values, style, texts] of rows)
    it(name, () => {
      const alike = oneDecimals(style, values);
      expect(values.map(value => formatNumber(value, alike))).toEqual([...texts]);
    });
});
