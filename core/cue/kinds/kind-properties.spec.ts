import type { Cell } from 'core/table';
import { applied, frameFor, HUTS, make, n, valuesOf } from './kind-frames.spec';

describe('what holds for any values', () => {
  const lists = Array.from({ length: 40 }, (_, seed) =>
    HUTS.map((_hut, i): Cell => ((seed * (i + 3)) % 7 === 0 ? n : ((seed + 2) * (i + 5) * 37) % 101)),
  );
  const plans = lists.map(list => list.map((value, i): Cell => (value === n || i === 4 ? n : ((value as number) * 13 + i * 29) % 97)));
  const numbers = (cells: Cell[] | undefined): number[] => (cells ?? []).map(value => (typeof value === 'number' ? value : NaN));

  it('reached and short make the plan; reached and beyond make the actual', () =>
    lists.forEach((actual, at) => {
      const result = applied(make('plan', { plan: 'b' }), frameFor(actual, plans[at]));
      const [reached, short, beyond] = ['reached', 'short by', 'beyond'].map(part => numbers(valuesOf(result, part))) as [
        number[],
        number[],
        number[],
      ];
      reached.forEach((value, row) => {
        if (Number.isNaN(value)) return;
        expect(value + (short[row] as number)).toBe(plans[at]?.[row] as number);
        expect(value + (beyond[row] as number)).toBe(actual[row] as number);
      });
    }));
  it('ranks do not depend on the order of rows', () =>
    lists.forEach(list => {
      const ranks = (values: Cell[]): Map<Cell, Cell> => {
        const result = valuesOf(applied(make('rank', {}), frameFor(values)), 'rank') ?? [];
        return new Map(values.map((value, row) => [value, result[row] as Cell]));
      };
      const there = list.some(value => value !== n);
      if (there) expect(ranks([...list].reverse())).toEqual(new Map([...ranks(list)].reverse()));
    }));
  it('scaling there and back gives the values', () =>
    lists.forEach((list, at) => {
      const result = applied(make('rescale', { to: 'range', other: 'b' }), frameFor(list, plans[at]));
      const [scaled, factor] = ['scaled', 'factor'].map(part => numbers(valuesOf(result, part))) as [number[], number[]];
      const low = Math.min(...numbers(plans[at]).filter(value => !Number.isNaN(value)));
      const own = Math.min(...numbers(list).filter(value => !Number.isNaN(value)));
      scaled.forEach((value, row) => {
        if (!Number.isNaN(value) && factor[row] !== 0)
          expect((value - low) / (factor[row] as number) + own).toBeCloseTo(list[row] as number, 6);
      });
    }));
  it('every value is in one step, inside or outside, and above or below', () =>
    lists.forEach(list => {
      const frame = frameFor(list);
      for (const [kind, parts] of [
        ['threshold', ['low', 'middle', 'high']],
        ['band', ['inside', 'outside']],
        ['typical', ['above', 'below']],
      ] as const) {
        const result = applied(make(kind, kind === 'band' ? { by: 'deviation' } : {}), frame);
        if (result.helpers.length === 0) continue;
        const columns = parts.map(part => valuesOf(result, part) ?? []);
        list.forEach((value, row) => expect(columns.filter(column => column[row] !== n).length).toBe(value === n ? 0 : 1));
      }
    }));
});
