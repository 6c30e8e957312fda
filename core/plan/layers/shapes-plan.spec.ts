import { plainMeasure } from 'core/frame';
import { plainScales } from 'core/document';
import { readLevel, type Cue } from 'core/cue';
import { make, pictured, planned, scaleOf, writing, type Change } from '../plan-frames.spec';
import { type ChartPlan as Plan } from '../index';
import { whyOf } from 'core/words';
import { partsOf } from '../parts.spec';

describe('shapes and axes', () => {
  const both = (change: Change): Plan => planned([], change);
  const cases: readonly [name: string, plan: Plan, look: (plan: Plan) => unknown, expected: unknown][] = [
    [
      'stems stand like columns, points fit their data',
      both({ shape: { mark: 'stem' } }),
      plan => [partsOf(plan).layers[0]?.shape, scaleOf(plan)[0]],
      ['stem', 0],
    ],
    [
      'lines beside each other differ in dash as well; the first is solid',
      both({ shape: { mark: 'line' } }),
      plan => partsOf(plan).layers.map(layer => layer.stroke.dash),
      ['solid', 'dashed'],
    ],
    [
      'a line beside columns, and one in a panel of its own, is solid',
      both({ data: { measures: [plainMeasure('milk', 'sum(milk)'), { ...plainMeasure('goal', 'sum(goal)'), shape: 'line' }] } }),
      plan => [partsOf(plan).layers[1]?.stroke.dash, partsOf(both({ shape: { mark: 'line', panels: 'measures' } })).layers[1]?.stroke.dash],
      ['solid', 'solid'],
    ],
    [
      'bars beside each other differ in the dash of their seam, and so do their keys; a pen is a line’s',
      both({
        data: {
          measures: [
            plainMeasure('milk', 'sum(milk)'),
            { ...plainMeasure('goal', 'sum(goal)'), pen: { width: null, dash: 'dotted', marker: null } },
          ],
        },
      }),
      plan => [
        partsOf(plan).layers.map(layer => layer.stroke.dash),
        plan.legend.map(({ key }) => (key.kind === 'mark' ? (key.stroke?.dash ?? null) : key.kind)),
      ],
      [
        ['solid', 'dashed'],
        [null, 'dashed'],
      ],
    ],
    ['lying stems lie', both({ shape: { mark: 'lying-stem' } }), plan => [plan.horizontal, partsOf(plan).layers[0]?.shape], [true, 'stem']],
    ['stepped areas stand on zero', both({ shape: { mark: 'step-area' } }), plan => scaleOf(plan)[0], 0],
    [
      'side by side each has its slot',
      both({}),
      plan => partsOf(plan).layers.map(layer => [layer.slot, layer.slots]),
      [
        [0, 2],
        [1, 2],
      ],
    ],
    [
      'stacked to 100 %: shares of each category, the axis in percents',
      both({ shape: { arrange: 'full' } }),
      plan => [
        partsOf(plan).layers.map(layer => Number(layer.ends[0]?.toFixed(3))),
        scaleOf(plan)[1],
        plan.panels[0]?.axes[0]?.tickLabels.at(-1),
      ],
      [[0.4, 1], 1, '100 %'],
    ],
    [
      'a hidden measure is not drawn',
      both({ data: { measures: [plainMeasure('milk', 'sum(milk)'), { ...plainMeasure('goal', 'sum(goal)'), shape: 'none' }] } }),
      plan => partsOf(plan).layers.length,
      1,
    ],
    [
      'a second axis, titled',
      both({
        data: {
          measures: [
            plainMeasure('milk', 'sum(milk)'),
            { ...plainMeasure('ratio', 'sum(milk) / sum(goal)'), shape: 'line', axis: 'second' },
          ],
        },
      }),
      plan => plan.panels[0]?.axes.map(axis => axis.title),
      ['milk', 'ratio'],
    ],
    [
      'bounds of one’s own',
      both({ scales: { axes: { ...plainScales.axes, first: { ...plainScales.axes.first, low: 5, high: 55 } } } }),
      scaleOf,
      [5, 55],
    ],
    [
      'zero left out of bars',
      both({ scales: { axes: { ...plainScales.axes, first: { ...plainScales.axes.first, zero: 'out' } } } }),
      plan => scaleOf(plan)[0] > 0,
      true,
    ],
    [
      'zero kept under a line',
      both({ shape: { mark: 'line' }, scales: { axes: { ...plainScales.axes, first: { ...plainScales.axes.first, zero: 'kept' } } } }),
      plan => scaleOf(plan)[0],
      0,
    ],
    [
      'numbers hidden',
      both({ scales: { axes: { ...plainScales.axes, first: { ...plainScales.axes.first, numbers: false } } } }),
      plan => plan.panels[0]?.axes[0]?.numbers,
      false,
    ],
    [
      'matched axes share one scale',
      both({
        data: { measures: [plainMeasure('milk', 'sum(milk)'), { ...plainMeasure('goal', 'sum(goal) * 10'), axis: 'second' }] },
        scales: { between: 'matched' },
      }),
      plan => scaleOf(plan, 0)[1] === scaleOf(plan, 1)[1],
      true,
    ],
    [
      'zeros at one height',
      both({
        data: { measures: [plainMeasure('milk', 'sum(milk) - 20'), { ...plainMeasure('goal', 'sum(goal)'), axis: 'second' }] },
        scales: { between: 'zeros' },
      }),
      plan => {
        const share = ([low, high]: [number, number]): number => Math.round((100 * -low) / (high - low));
        return share(scaleOf(plan, 0)) - share(scaleOf(plan, 1));
      },
      0,
    ],
  ];
  for (const [name, plan, seen, expected] of cases) it(name, () => expect(seen(plan)).toEqual(expected));
});

describe('words about cues', () => {
  const why = (cues: readonly Cue[], row: number): string => {
    const { picture, figure } = pictured(cues);
    return whyOf(picture, row, figure, writing);
  };
  const cases: readonly [says: string, cues: readonly Cue[], row: number][] = [
    ['Brass, because milk 40 is number 1 of 4 huts (cue 1).', [make('rank')], 1],
    ['Pasture, because milk 40 is more than goal by 10 (cue 1).', [make('compare')], 1],
    ['Milk is 10 against 15 planned: short by 5 (cue 1).', [make('plan', { plan: 'goal' })], 0],
    ['Milk is 10 against 15 planned: short by 5 (cue 2).', [make('extremes'), make('plan', { id: 'd', plan: 'goal' })], 0],
    ['It runs from 40 to 30, a spread of 10 (cue 1).', [make('span', { high: 'goal' })], 1],
    ['Clay, because milk fell by 20 (50.0 %) from 40 (cue 1).', [make('change')], 2],
    [
      'Clay, because milk 40 lies outside the range from 15 to 30 (cue 1).',
      [make('band', { by: 'edges', lower: readLevel('15', []), upper: readLevel('30', []) })],
      1,
    ],
    ['Shaded, because milk 20 lies 33 % along the scale (cue 1).', [make('gradient')], 2],
  ];
  for (const [says, cues, row] of cases) it(says, () => expect(why(cues, row)).toBe(says));
  it('the description tells lines, bands, parts and spans', () => {
    const description = planned([
      make('typical'),
      make('band', { id: 'b', by: 'deviation' }),
      make('plan', { id: 'p', plan: 'goal' }),
      make('gradient', { id: 'g' }),
      make('rescale', { id: 'r' }),
    ]).description;
    for (const part of [
      'Line: average, 25',
      'A band shows the mean ± 1 sd; 2 values lie outside it.',
      'milk is split into reached (4 huts), short by (2 huts) and beyond (1 hut).',
      'milk is shaded from low, Alm, 10, to high, Berg, 40',
      'milk is drawn as index, from 100 to 400',
    ])
      expect(description).toContain(part);
    // However much is found, it is told in six sentences.
    expect(description.match(/\.(\s|$)/g)?.length).toBe(6);
  });
});
