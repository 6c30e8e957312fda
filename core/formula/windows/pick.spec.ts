import { rowsWithValue } from 'core/table';
import { chooseBy } from '../functions';
import { firstHeld, pickEqual, pickMissing, pickWhere } from './pick';
import { constantVec, type BooleanVec, type NumericVec } from '../evaluate/vec';

const column = (...values: number[]): NumericVec => ({ type: 'number', data: Float64Array.from(values), constant: false });
const constant = (value: number): NumericVec => ({ type: 'number', data: Float64Array.of(value), constant: true });

const held = (...data: number[]): BooleanVec => ({ type: 'boolean', data: Uint8Array.from(data), constant: false });

describe('a case that picks', () => {
  const x = column(3, NaN, 7, 3, -0);
  const cases: readonly [name: string, picked: () => ReturnType<typeof pickEqual>, values: number[], rows: number[]][] = [
    ['equal to one value', () => pickEqual([x, constant(3), x], 5), [3, NaN, NaN, 3, NaN], [0, 3]],
    ['minus zero is zero', () => pickEqual([x, constant(0), x], 5), [NaN, NaN, NaN, NaN, -0], [4]],
    ['equal row by row; missing equals nothing', () => pickEqual([x, column(3, NaN, 8, 3, 1), x], 5), [3, NaN, NaN, 3, NaN], [0, 3]],
    ['what is picked may itself be missing', () => pickEqual([x, constant(3), column(NaN, 1, 1, 5, 1)], 5), [NaN, NaN, NaN, 5, NaN], [3]],
    ['one value for all that are equal', () => pickEqual([x, constant(3), constant(9)], 5), [9, NaN, NaN, 9, NaN], [0, 3]],
    ['one value against a column', () => pickEqual([constant(7), x, x], 5), [NaN, NaN, 7, NaN, NaN], [2]],
    ['where another is missing', () => pickMissing(column(NaN, 1, NaN, 1, NaN), x, 5), [3, NaN, 7, NaN, -0], [0, 2, 4]],
    ['one value where another is missing', () => pickMissing(column(NaN, 1, NaN, 1, 1), constant(4), 5), [4, NaN, 4, NaN, NaN], [0, 2]],
    ['all of them, since the one tested is missing', () => pickMissing(constant(NaN), x, 5), [3, NaN, 7, 3, -0], [0, 2, 3, 4]],
    ['where a condition holds; missing holds nowhere', () => pickWhere(held(1, 0, 1, 2, 1), x, 5), [3, NaN, 7, NaN, -0], [0, 2, 4]],
    ['where it holds, though the value is missing', () => pickWhere(held(0, 1, 0, 1, 0), x, 5), [NaN, NaN, NaN, 3, NaN], [3]],
    ['none, since the one tested is there', () => pickMissing(constant(1), x, 5), [NaN, NaN, NaN, NaN, NaN], []],
  ];
  for (const [name, picked, values, rows] of cases)
    it(name, () => {
      const made = picked();
      expect([...(made.data as Float64Array)]).toEqual(values);
      expect([...rowsWithValue(made)]).toEqual(rows);
    });

  it('leaves what it read as it was, and two picks do not share their rows', () => {
    const first = pickEqual([x, constant(3), x], 5);
    pickEqual([x, constant(7), x], 5);
    expect([...rowsWithValue(first)]).toEqual([0, 3]);
    expect([...x.data]).toEqual([3, NaN, 7, 3, -0]);
  });

  it('takes the first condition that holds, one for all rows among them', () => {
    const always = { ...held(1), constant: true };
    expect([...firstHeld([held(0, 1, 1, 2), held(1, 1, 0, 2)], -1, 4)]).toEqual([1, 0, 0, -1]);
    expect([...firstHeld([held(0, 1, 0, 2), always], 2, 4)]).toEqual([1, 0, 1, 1]);
    expect([...firstHeld([], 0, 2)]).toEqual([0, 0]);
  });

  it('takes the value that was chosen for each row, texts from several dictionaries', () => {
    const texts = { type: 'text' as const, data: Int32Array.of(1, 0, -1, 0), dictionary: ['a', 'b'], constant: false };
    const chosen = chooseBy([texts, constantVec('text', 'b')], Int16Array.of(0, 1, 0, -1));
    const dictionary = 'dictionary' in chosen ? chosen.dictionary : [];
    expect(Array.from(chosen.data, code => dictionary[code] ?? null)).toEqual(['b', 'b', null, null]);
    expect([...chooseBy([x, constant(9)], Int16Array.of(0, 1, -1, 1, 0)).data]).toEqual([3, 9, NaN, 9, -0]);
  });

  it('of constants is a constant', () => {
    expect(pickEqual([constant(2), constant(2), constant(5)], 9)).toEqual({ type: 'number', data: Float64Array.of(5), constant: true });
  });
});
