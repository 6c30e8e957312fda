import { LADDERS, shorterTexts, type NumberStyle } from './index';

describe('a number in fewer letters', () => {
  const cases: readonly [value: number, style: NumberStyle, texts: string[]][] = [
    [498_800, { ladder: LADDERS.counts }, ['499 K']],
    [94_190, {}, ['94 K']],
    [1_234_567, {}, ['1.23 M', '1.2 M']],
    [12.3456, {}, ['12.3']],
    [0.123456, { percent: true }, ['12.3 %']],
    [7, {}, []],
    [1234, {}, []],
    [NaN, {}, []],
  ];
  for (const [value, style, texts] of cases)
    it(`${value} ${JSON.stringify(style).slice(0, 40)}`, () => expect(shorterTexts(value, style)).toEqual(texts));
});
