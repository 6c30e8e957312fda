import type { ChartPlan as Plan } from '../index';
import { partsOf } from '../parts.spec';
import { make, planned } from '../plan-frames.spec';

describe('the parts of a plan', () => {
  const rows: readonly [name: string, plan: Plan, parts: readonly (readonly [id: string, cue: string | null])[]][] = [
    [
      'one measure',
      planned([], { goal: false }),
      [
        ['title', null],
        ['note', null],
        ['axis first', null],
        ['categories', null],
      ],
    ],
    [
      'lines and bands after the axes, with the cue that they and their legend belong to',
      planned([make('typical', { id: 'a' }), make('band', { id: 'b', n: 1 })], { goal: false }),
      [
        ['title', null],
        ['legend 1', 'a'],
        ['legend 2', 'b'],
        ['legend 3', 'b'],
        ['note', null],
        ['axis first', null],
        ['categories', null],
        ['line 1', 'a'],
        ['band 1', 'b'],
      ],
    ],
    [
      'panels by name, and no axis of their own',
      planned([], { shape: { panels: 'measures' } }),
      [
        ['title', null],
        ['legend 1', null],
        ['legend 2', null],
        ['note', null],
        ['panel 1', null],
        ['panel 2', null],
        ['axis first', null],
        ['categories', null],
      ],
    ],
  ];
  for (const [name, plan, expected] of rows)
    it(`are named in the order of reading: ${name}`, () => expect(plan.parts.map(({ id, cue }) => [id, cue])).toEqual(expected as never));

  it('say what stands there', () =>
    expect(planned([]).parts.map(({ says }) => says)).toEqual([
      'Title: Milk by hut',
      'Legend: milk',
      'Legend: goal',
      'Axes: milk and goal by hut',
      'Value axis',
      'Categories: milk and goal by hut',
    ]));

  it('layers of cues say whose they are', () => {
    const plan: Plan = planned([make('plan', { plan: 'goal', id: 'a' }), make('running', { id: 'b' })]);
    expect(partsOf(plan).layers.map(layer => [layer.name, layer.cue])).toEqual([
      ['reached', 'a'],
      ['short by', 'a'],
      ['beyond', 'a'],
      ['moving average of 4', 'b'],
    ]);
  });
});
