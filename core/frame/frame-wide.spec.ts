import { messageFor } from 'core/result/words';
import { makeTable, named, tableOf, valuesFrom, type Cell } from 'core/table';
import { frameOf, plainMeasure, type FigureData, type Frame } from './index';
import { base, column, framed } from './deliveries.spec';

describe('periods without rows', () => {
  const sales = makeTable('t', [
    ...tableOf({ x: [4, 6, 5], y: [1, 2, null] }).columns,
    named('d', valuesFrom('date', ['2031-01-10', '2031-01-20', '2031-03-05'])),
  ]);
  const months = { category: 'd', step: { kind: 'grain', grain: 'month' } as const };
  const cases: readonly [formula: string, empty: FigureData['empty'], values: Cell[]][] = [
    ['sum(x)', 'missing', [10, null, 5]],
    ['sum(x)', 'zero', [10, 0, 5]],
    ['count(*)', 'missing', [2, 0, 1]],
    ['count(y)', 'missing', [2, 0, 0]],
    ['count(*) * 10', 'missing', [20, 0, 10]],
    ['coalesce(sum(x), 7)', 'missing', [10, 7, 5]],
    // An average, an extreme or a ratio of nothing is nothing, whatever is counted as zero.
    ['avg(x)', 'zero', [5, null, 5]],
    ['max(x)', 'zero', [6, null, 5]],
    ['sum(x) / count(*)', 'zero', [5, null, 5]],
    // March has a row, whose y is missing: its sum stays so.
    ['sum(y)', 'zero', [3, 0, null]],
  ];
  for (const [formula, empty, values] of cases)
    it(`${formula}, a sum of none ${empty}`, () => {
      const frame = framed({ ...months, empty, measures: [plainMeasure('m', formula)] }, sales);
      expect(column(frame, 'm')).toEqual(values);
      expect(frame.emptyRows).toBe(1);
    });
});

describe('the order of a split figure', () => {
  // Ratios: A 1/10 and 30/40, together 31/50; B 2/4 and 2/8, together 4/12. Sums of ratios would put them the other way round in C.
  const table = tableOf({
    hut: ['A', 'A', 'B', 'B', 'C', 'C'],
    valley: ['x', 'y', 'x', 'y', 'x', 'x'],
    fat: [1, 30, 2, 2, 4, null] as number[],
    milk: [10, 40, 4, 8, 5, 3],
  });
  const order = { by: 'measure', measure: 'm', descending: true } as const;
  const helpers = [{ name: 'h', formula: 'm * 2', scope: { kind: 'own' as const }, shape: null, axis: 'first' as const, format: null }];
  const cases: readonly [formula: string, by: string, huts: Cell[]][] = [
    ['sum(milk)', 'm', ['A', 'B', 'C']],
    // A 25, B 6, C 4 on the average of all rows.
    ['avg(milk)', 'm', ['A', 'B', 'C']],
    // 0.62, 0.333, 0.5: never 0.85, 0.75, 0.5 as the ratios of the series add up to.
    ['sum(fat) / sum(milk)', 'm', ['A', 'C', 'B']],
    // Means of the helper column: A 0.85, B 0.75, C 1.
    ['sum(fat) / sum(milk)', 'h', ['C', 'A', 'B']],
  ];
  for (const [formula, measure, huts] of cases)
    it(`${formula} by ${measure}`, () => {
      const frame = framed({ series: 'valley', measures: [plainMeasure('m', formula)], helpers, order: { ...order, measure } }, table);
      expect([...new Set(column(frame, 'hut'))]).toEqual(huts);
    });
});

describe('a measure over all rows behind the frame', () => {
  const table = tableOf({
    hut: ['A', 'A', 'B', 'C'],
    valley: ['x', 'x', 'x', 'y'],
    fat: [1, 3, 6, null] as number[],
    milk: [10, 10, 20, 5],
  });
  const asked = [[], ['valley'], ['nowhere']].map(within => ({ measure: 'm', within }));
  const over = (formula: string): Frame => {
    const read = frameOf(table, { ...base, measures: [plainMeasure('m', formula)] }, asked);
    if (!read.ok) throw new Error(read.problems.map(messageFor).join());
    return read.value;
  };
  it('is its own formula without the grouping: a ratio of all sums, not an average of ratios', () => {
    const frame = over('sum(fat) / sum(milk)');
    expect(frame.overall).toEqual(['m over all rows', 'm over all rows in each valley']);
    expect(column(frame, 'm over all rows')).toEqual([10 / 45, 10 / 45, 10 / 45]);
    expect(column(frame, 'm over all rows in each valley')).toEqual([0.25, 0.25, null]);
  });
  it('is the average of all rows, not of the bars', () =>
    expect(column(over('avg(milk)'), 'm over all rows')).toEqual([11.25, 11.25, 11.25]));
});

describe('helper columns that cannot be computed', () => {
  const helper = (name: string, formula: string) => ({
    name,
    formula,
    scope: { kind: 'own' as const },
    shape: null,
    axis: 'first' as const,
    format: null,
  });
  it('rest alone, each with its reason, and all others are computed', () => {
    const frame = framed({ helpers: [helper('a', 'gone / 10'), helper('b', 'milk / 10'), helper('milk', '1'), helper('c', 'a + 1')] });
    expect(frame.helpers).toEqual(['b']);
    expect(column(frame, 'b')).toEqual([1.5, 4, null, 0]);
    expect(frame.resting.map(({ name, problem }) => [name, problem.code])).toEqual([
      ['a', 'helper-formula'],
      ['milk', 'figure-name-taken'],
      ['c', 'helper-formula'],
    ]);
  });
});
