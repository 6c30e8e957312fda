import { firstFigure, type TableFacts } from 'core/brief';
import { plainMeasure, type FigureData } from 'core/frame';
import { givenTitle } from './index';
import { followTitle } from './index';

const table: TableFacts = {
  id: 'd',
  name: 'deliveries',
  rowCount: 9,
  units: {},
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'day', type: 'date' },
    { name: 'milk', type: 'number' },
  ],
};
const figure = firstFigure('f', table, 'hut');
const more = (...names: readonly string[]) => names.map(name => plainMeasure(name, `sum(${name})`));

describe('a title that nobody wrote', () => {
  const rows: readonly [change: Partial<FigureData>, title: string][] = [
    [{}, 'Milk by hut'],
    [{ category: 'day', step: { kind: 'grain', grain: 'month' } }, 'Milk by month'],
    [{ category: 'milk', step: { kind: 'bin', width: 10 } }, 'Milk by milk'],
    [{ measures: more('milk', 'fat') }, 'Milk and fat by hut'],
    [{ measures: more('a', 'b', 'c', 'd') }, 'A, b and 2 more by hut'],
    [{ measures: [{ ...plainMeasure('milk', 'sum(milk)'), shape: 'none' }, ...more('fat')] }, 'Fat by hut'],
    [{ series: 'valley' }, 'Milk by hut and valley'],
    [{ filters: [{ kind: 'top', column: 'hut', n: 20, measure: 'sum(milk)', end: 'largest' }] }, 'Milk by hut, the 20 largest'],
    [{ filters: [{ kind: 'values', column: 'valley', keep: ['Tolm', null] }] }, 'Milk by hut, Tolm and missing'],
    [
      {
        filters: [
          { kind: 'values', column: 'valley', keep: ['a', 'b', 'c', 'd'] },
          { kind: 'formula', column: 'x', formula: 'true' },
        ],
      },
      'Milk by hut, filtered',
    ],
    [{ filters: [{ kind: 'range', column: 'week', low: 3, high: null }] }, 'Milk by hut, week from 3'],
    [{ filters: [{ kind: 'range', column: 'week', low: null, high: null }] }, 'Milk by hut'],
  ];
  for (const [change, title] of rows)
    it(`${title} of ${JSON.stringify(change)}`, () => {
      const after = { ...figure, data: { ...figure.data, ...change } };
      expect(givenTitle(after.data)).toBe(title);
      expect(followTitle(figure, after).words.title).toBe(title);
      expect(followTitle(figure, after).name).toBe(title);
      const own = { ...figure, words: { title: 'Milk, at last', subtitle: '' } };
      expect(followTitle(own, { ...own, data: after.data }).words.title).toBe('Milk, at last');
    });
  it('what is written in the same change stays', () =>
    expect(
      followTitle(figure, { ...figure, data: { ...figure.data, series: 'valley' }, words: { title: 'Mine', subtitle: '' } }).words.title,
    ).toBe('Mine'));
});
