import { named, type Column } from 'core/table';
import { keyCodes } from './index';

const column = (data: readonly number[]): Column => named('key', { type: 'number', data: Float64Array.from(data) });

/** By hand: each different number its place among them, in the order in which they first come, or rising where every list does. */
function reference(lists: readonly (readonly number[])[], isRising: boolean): number[][] {
  const all = [...new Set(lists.flat().filter(value => !Number.isNaN(value)))];
  const order = isRising ? all.sort((a, b) => a - b) : all;
  return lists.map(list => list.map(value => order.indexOf(value)));
}

describe('codes of number keys', () => {
  const shuffled = Array.from({ length: 400 }, (_, i) => (i * 167) % 400);
  const cases: readonly [name: string, lists: readonly (readonly number[])[], isRising: boolean][] = [
    ['close whole numbers in no order', [shuffled, shuffled.map(value => value + 130)], false],
    [
      'close whole numbers below zero, some twice, some missing',
      [
        [-3, -1, NaN, -3],
        [-2, -1, NaN, 0],
      ],
      false,
    ],
    [
      'close whole numbers that rise',
      [
        [1, 2, 5, 9],
        [2, 3, 9, 11],
      ],
      true,
    ],
    [
      'far whole numbers in no order',
      [
        [1e9, 5, 2e12],
        [2e12, 7, -4e10],
      ],
      false,
    ],
    [
      'far whole numbers that rise',
      [
        [5, 1e9, 2e12],
        [-4e10, 7, 2e12],
      ],
      true,
    ],
    ['fractions in no order', [shuffled.map(value => value / 8), shuffled.map(value => value / 16)], false],
    [
      'fractions that rise',
      [
        [0.5, 0.75, 2],
        [0.25, 0.75],
      ],
      true,
    ],
    [
      'years',
      [
        [2031, 2029, 2030],
        [2030, 2033],
      ],
      false,
    ],
    ['one list empty', [[], [3, 1, 2]], false],
    ['all missing', [[NaN, NaN], [NaN]], false],
    [
      'infinite ones',
      [
        [Infinity, 1],
        [1, -Infinity],
      ],
      false,
    ],
  ];
  for (const [name, lists, isRising] of cases)
    it(name, () => {
      const { codes, count } = keyCodes(lists.map(list => [column(list)]));
      const expected = reference(lists, isRising);
      expect(codes.map(own => Array.from(own))).toEqual(expected);
      expect(count).toBe(new Set(expected.flat().filter(code => code >= 0)).size);
    });
});
