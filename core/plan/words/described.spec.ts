import { firstFigure } from 'core/brief';
import { cueFactsOf, cueKinds } from 'core/cue';
import type { Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { makeTable, named, tableOf, valuesFrom } from 'core/table';
import { pictureOf } from '../index';
import { livery } from '../plan-frames.spec';

const table = makeTable('t', [
  named('day', valuesFrom('date', ['2031-07-01', '2031-08-02', '2031-08-03'])),
  ...tableOf({ valley: ['Tolm', 'Siddel', 'Tolm'], x: [1, 2, 4] }).columns,
]);

function told(change: Partial<Figure['data']>, view: Figure['view'] = 'cued'): string {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 3, units: {}, columns: table.columns });
  const data = { ...first.data, category: 'day', measures: [plainMeasure('x', 'sum(x)')], order: { by: 'table' } as const };
  const cue = { ...cueKinds.extremes.create('c', cueFactsOf({ category: 'day', measures: ['x'] })), which: 'highest' as const };
  const figure: Figure = {
    ...first,
    data: { ...data, filters: [], step: null, series: null, ...change },
    shape: { ...first.shape, mark: 'column' },
    cues: [cue],
    view,
  };
  const read = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery });
  return read.ok ? (read.value.plans[0]?.description ?? '') : '';
}

describe('the whole figure in words', () => {
  const rows: readonly [name: string, description: string, says: string][] = [
    [
      'units of time and filters',
      told({ step: { kind: 'grain', grain: 'month' }, filters: [{ kind: 'range', column: 'x', low: 1, high: null }] }),
      'Columns of x for 2 months, in table order. Kept: x from 1. Values run from 1 to 6. Highest: Aug 2031, 6. Shown cued.',
    ],
    [
      'whose value a series is',
      told({ series: 'valley' }),
      'Columns of x for 3 values, a series per valley: Tolm and Siddel, in table order. Values run from 1 to 4. Highest: 2031-08-03 of Tolm, 4. Shown cued. Dates 1 to 32 days apart, to scale.',
    ],
    [
      'the figure without its cues',
      told({}, 'plain'),
      'Columns of x for 3 days, in table order. Values run from 1 to 4. Shown plain, without its cues. Dates 1 to 32 days apart, to scale.',
    ],
  ];
  for (const [name, description, says] of rows) it(`tells ${name}`, () => expect(description).toBe(says));
});
