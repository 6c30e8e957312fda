import { look, make, planned } from '../plan-frames.spec';
import type { ChartPlan } from '../index';
import { partsOf } from '../parts.spec';

describe('labels of what a cue marks', () => {
  const cases: readonly [name: string, plan: ChartPlan, look: (plan: ChartPlan) => unknown, expected: unknown][] = [
    [
      'name, share, difference, words with computed values',
      planned(
        (['name', 'share', 'difference', 'text'] as const).map((label, i) =>
          make('typical', {
            id: `c${i}`,
            measure: i % 2 ? 'goal' : 'milk',
            looks: { above: look('brass', { label, text: '{milk / 1000 as kilo} of {hut}, {nothing}' }), below: look('') },
          }),
        ),
      ),
      plan => partsOf(plan).layers.map(layer => layer.labels.map(label => label.text)),
      [
        ['Berg', 'Dale'],
        ['29.70 %', '35.64 %'],
      ],
    ],
    [
      'none that tells a difference which its cue does not compute',
      planned(
        (['difference', 'value'] as const).map((label, i) =>
          make('extremes', {
            id: `c${i}`,
            measure: i ? 'goal' : 'milk',
            which: 'highest',
            looks: { highest: look('brass', { label }) },
          }),
        ),
      ),
      plan => partsOf(plan).layers.map(layer => layer.labels.map(label => label.text)),
      [[], ['36']],
    ],
    [
      'words of one’s own',
      planned(
        [
          make('extremes', {
            which: 'highest',
            looks: { highest: look('brass', { label: 'text', text: '{milk * 1000 as kilo} of {hut}, {nothing}' }) },
          }),
        ],
        { goal: false },
      ),
      plan => partsOf(plan).layers[0]?.labels.map(label => label.text),
      ['40.0 k of Berg, {nothing}'],
    ],
  ];
  for (const [name, plan, look, expected] of cases) it(name, () => expect(look(plan)).toEqual(expected));
});
