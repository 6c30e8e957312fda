import { messageFor } from 'core/result/words';
import { cellAt, tableOf } from 'core/table';
import type { Derived } from './table-schema';
import { deriveColumns, orderDerived } from './index';

describe('derived columns', () => {
  const source = tableOf({ milk: [10, 20], cows: [2, 0] });
  const derived = (formulas: Record<string, string>): Derived[] => Object.entries(formulas).map(([name, formula]) => ({ name, formula }));
  it('may use each other in any order', () => {
    const { table, withoutValue } = deriveColumns(source, derived({ twice: 'each * 2', each: 'milk / cows' }));
    expect(withoutValue).toEqual({ each: 1, twice: 0 });
    expect(table.columns.map(column => [column.name, cellAt(column, 0), cellAt(column, 1)])).toEqual([
      ['milk', 10, 20],
      ['cows', 2, 0],
      ['each', 5, null],
      ['twice', 10, null],
    ]);
  });
  const faults: readonly [name: string, formulas: Record<string, string>, says: RegExp][] = [
    ['a cycle', { a: 'b + 1', b: 'a + 1' }, /a and b are computed from each other/],
    ['itself', { a: 'a + 1' }, /a is computed from itself/],
    ['an unknown name', { a: 'mlik' }, /Did you mean milk\?/],
    ['a taken name', { milk: '1' }, /would be called “milk”/],
  ];
  for (const [name, formulas, says] of faults)
    it(`${name} is left out and named`, () => {
      const { ordered, problems } = orderDerived(new Map(source.columns.map(column => [column.name, column.type])), derived(formulas));
      expect(ordered.length).toBe(0);
      expect(problems.map(item => messageFor(item.problem)).join()).toMatch(says);
    });
});
