import { readLevel } from 'core/cue';
import { plainMeasure } from 'core/frame';
import { livery, look, make, planned, scaleOf } from '../plan-frames.spec';
import type { Layer, ChartPlan as Plan } from '../index';
import { partsOf } from '../parts.spec';

const values = ({ values }: Layer): number[] => [...values];
const ends = ({ bases, ends }: Layer): [number[] | null, number[]] => [bases && [...bases], [...ends]];

describe('cues that draw', () => {
  const cases: readonly [name: string, plan: Plan, look: (plan: Plan) => unknown, expected: unknown][] = [
    [
      'plan: three parts stand on each other, and the plan has no bars of its own',
      planned([make('plan', { plan: 'goal' })]),
      plan => partsOf(plan).layers.map(layer => [layer.name, ...ends(layer), layer.slot]),
      [
        ['reached', [0, 0, 0, 0], [10, 30, 20, 30], 0],
        ['short by', [10, 30, 20, 30], [15, 30, 20, 36], 0],
        ['beyond', [15, 30, 20, 36], [15, 40, 20, 36], 0],
      ],
    ],
    [
      'plan: what is missing and what is beyond say which way; a part of zero says nothing, both of zero that it is on plan',
      planned([make('plan', { plan: 'goal' })]),
      plan => partsOf(plan).layers.flatMap(layer => layer.labels.map(label => [label.at, label.text, label.where])),
      [
        [0, '−5', 'end'],
        [3, '−6', 'end'],
        [1, '+10', 'end'],
        [2, '±0', 'end'],
      ],
    ],
    ['plan: its labels have room above the tallest stack', planned([make('plan', { plan: 'goal' })]), scaleOf, [0, 44]],
    [
      'plan: the whole on top, as a line with markers beside it',
      planned([make('plan', { plan: 'goal', way: 'line', total: true })]),
      plan => [
        partsOf(plan).layers.map(layer => layer.shape),
        partsOf(plan)
          .layers[1]?.labels.filter(label => label.where === 'end')
          .map(label => label.text),
        partsOf(plan).layers[2]?.stroke,
      ],
      [['column', 'column', 'line'], ['10', '40', '20', '30'], { width: 2, dash: 'dashed', marker: 'dot' }],
    ],
    [
      'span: one layer from low to high, the axis fitted to it',
      planned([make('span', { high: 'goal', averages: false })], {
        data: { measures: [plainMeasure('milk', 'sum(milk) + 100'), plainMeasure('goal', 'sum(goal) + 100')] },
      }),
      plan => [partsOf(plan).layers.map(layer => [layer.shape, ...ends(layer)]), scaleOf(plan)[0] > 50],
      [[['span', [110, 130, 120, 130], [115, 140, 120, 136]]], true],
    ],
    [
      'span: both ends labelled, outside',
      planned([make('span', { high: 'goal', averages: false })]),
      plan =>
        partsOf(plan)
          .layers[0]?.labels.filter(label => label.at === 1)
          .map(label => [label.text, label.where]),
      [
        ['40', 'end'],
        ['30', 'base'],
      ],
    ],
    [
      'typical: a level line with its value, bars in two colours',
      planned([make('typical', { looks: { above: look('brass'), below: look('slate') } })], { goal: false }),
      plan => [partsOf(plan).lines.map(line => [[...line.values], line.label, line.drag]), partsOf(plan).layers[0]?.colours],
      [[[[25, 25, 25, 25], 'average 25', null]], ['#36506e', '#b87f0a', '#36506e', '#b87f0a']],
    ],
    [
      'typical: a number can be dragged',
      planned([make('typical', { level: readLevel('22', []) })], { goal: false }),
      plan => partsOf(plan).lines.map(line => [line.label, line.drag]),
      [['22', { cue: 'c', token: 'level' }]],
    ],
    [
      'typical: within each valley the line has steps',
      planned([make('typical', { scope: { kind: 'within', columns: ['valley'] } })], { goal: false }),
      plan => partsOf(plan).lines.map(line => [[...line.values], line.label]),
      [[[25, 25, 25, 25], 'average in each valley 25']],
    ],
    [
      'threshold: edges as lines, those that are numbers can be dragged',
      planned(
        [
          make('threshold', {
            lines: true,
            steps: [
              { name: 'low', upTo: readLevel('15', []) },
              { name: 'high', upTo: null },
            ],
          }),
        ],
        { goal: false },
      ),
      plan => partsOf(plan).lines.map(line => [line.values[0], line.drag?.token]),
      [[15, 'edge:0']],
    ],
    [
      'band: from edges that need no marks of their own',
      planned([make('band', { by: 'edges', lower: readLevel('12', []), upper: readLevel('goal', ['goal']) })]),
      plan => [
        partsOf(plan).layers.map(layer => layer.measure),
        partsOf(plan).bands.map(band => [[...band.low], [...band.high], band.dragLow?.token, band.dragHigh]),
      ],
      [['milk'], [[[12, 12, 12, 12], [15, 30, 20, 36], 'lower', null]]],
    ],
    [
      'running and reference: series of their own, named in the legend with their dash',
      planned([make('running', { n: 2 }), make('reference', { id: 'd', level: readLevel('goal', ['goal']), name: 'target' })]),
      plan => [
        partsOf(plan)
          .layers.slice(1)
          .map(layer => [layer.name, values(layer)]),
        plan.legend.slice(0, 2).map(entry => [entry.text, entry.key.kind === 'mark' && entry.key.stroke?.dash]),
      ],
      [
        [
          ['moving average of 2', [NaN, 25, 30, 25]],
          ['target', [15, 30, 20, 36]],
        ],
        [
          ['moving average of 2', 'solid'],
          ['target', 'dotted'],
        ],
      ],
    ],
    [
      'change: drawn on a second axis as percents',
      planned([make('change', { draw: 'joined' })], { goal: false }),
      plan => [
        partsOf(plan).layers.map(layer => layer.axis),
        plan.panels[0]?.axes.length,
        plan.panels[0]?.axes[1]?.tickLabels.at(-1)?.endsWith(' %'),
      ],
      [[0, 1], 2, true],
    ],
    [
      'change: its glyphs stand at the marks, in their colours',
      planned([make('change')], { goal: false }),
      plan => partsOf(plan).layers[0]?.glyphs.map(({ at, glyph, colour }) => [at, glyph, colour]),
      [
        [1, 'up', '#3a7a3c'],
        [3, 'up', '#3a7a3c'],
        [2, 'down', '#b5482f'],
      ],
    ],
    [
      'rescale: drawn in place of the measure, the axis counts it',
      planned([make('rescale')], { goal: false }),
      plan => [partsOf(plan).layers.map(values), plan.panels[0]?.axes[0]?.tickLabels.at(-1)],
      [[[100, 400, 200, 300]], '400'],
    ],
    [
      'rescale: shares are percents on the axis',
      planned([make('rescale', { to: 'share' })], { goal: false }),
      plan => plan.panels[0]?.axes[0]?.tickLabels.at(-1),
      '40 %',
    ],
    [
      'pens: lines as wide, dashed and marked as asked; a level has no markers',
      planned([
        make('running', { n: 2, pen: { width: 4, dash: null, marker: 'ring' } }),
        make('typical', { id: 't', pen: { width: 3, dash: 'dotted', marker: 'dot' } }),
      ]),
      plan => [partsOf(plan).layers.at(-1)?.stroke, partsOf(plan).lines[0]?.stroke],
      [
        { width: 4, dash: 'solid', marker: 'ring' },
        { width: 3, dash: 'dotted', marker: '' },
      ],
    ],
    [
      'pens: a measure’s own line, in the legend too',
      planned([], {
        data: {
          measures: [
            plainMeasure('milk', 'sum(milk)'),
            { ...plainMeasure('goal', 'sum(goal)'), shape: 'line', pen: { width: 1, dash: 'dashed', marker: 'square' } },
          ],
        },
      }),
      plan => [partsOf(plan).layers[1]?.stroke, plan.legend.map(({ key }) => key.kind === 'mark' && key.stroke?.dash)],
      [{ width: 1, dash: 'dashed', marker: 'square' }, [undefined, 'dashed']],
    ],
    [
      'gradient: from pale to deep, the legend as a ramp',
      planned([make('gradient', { high: 'lake' })], { goal: false }),
      plan => {
        const colours = partsOf(plan).layers[0]?.colours ?? [];
        return [new Set(colours).size, (colours[0] ?? '') > (colours[1] ?? ''), plan.legend[0]?.key.kind];
      },
      [4, true, 'ramp'],
    ],
    [
      'looks: outline and glyph without a colour leave the mark its own',
      planned([make('extremes', { quiet: false, which: 'highest', looks: { highest: look('', { outline: true, glyph: 'star' }) } })], {
        goal: false,
      }),
      plan => [
        partsOf(plan).layers[0]?.colours[1],
        partsOf(plan).layers[0]?.outlined,
        partsOf(plan).layers[0]?.glyphs.map(({ glyph }) => glyph),
        plan.legend[0]?.text,
      ],
      ['#5f7a70', [1], ['star'], 'highest'],
    ],
    [
      'conflicts: the first cue has the colour',
      planned([make('extremes', { which: 'highest' }), make('rank', { id: 'd', n: 2, looks: { in: look('clay') } })], { goal: false }),
      plan => partsOf(plan).layers[0]?.colours,
      ['#84978e', '#b87f0a', '#84978e', '#b5482f'],
    ],
    [
      'legend: a look whose every mark an earlier cue has taken is not in it, unless its glyph shows',
      planned(
        [
          make('rank', { n: 2, quiet: false }),
          make('extremes', { id: 'd', which: 'highest', quiet: false, looks: { highest: look('clay') } }),
          make('extremes', { id: 'e', which: 'highest', quiet: false, looks: { highest: look('lake', { glyph: 'star' }) } }),
        ],
        { goal: false },
      ),
      plan => plan.legend.map(({ text, key }) => [text, key.kind === 'mark' && key.glyph]),
      [
        ['top 2', ''],
        ['highest', 'star'],
      ],
    ],
    [
      'legend: a series whose only bar that no cue colours has no length is not in it; one with a bar of its own is',
      planned(
        [
          make('compare', {
            measure: 'gap',
            other: { is: 'number', value: 0 },
            quiet: false,
            looks: { more: look('pasture'), less: look('clay') },
          }),
        ],
        { data: { measures: [plainMeasure('milk', 'sum(milk)'), plainMeasure('gap', 'sum(milk) - sum(goal)')] } },
      ),
      plan => plan.legend.map(({ text }) => text),
      ['milk', 'more than 0', 'less than 0'],
    ],
    [
      'legend: parts drawn in a measure’s place leave nothing of the looks of its marks, and no rest',
      planned([make('extremes'), make('plan', { id: 'd', plan: 'goal' })]),
      plan => plan.legend.map(({ text }) => text),
      ['reached', 'short by', 'beyond'],
    ],
    [
      'a cue quiets its own measure alone; the other keeps its colour and its name',
      planned([make('extremes', { measure: 'goal', which: 'highest' })]),
      plan => [partsOf(plan).layers.map(layer => layer.colour), plan.legend.map(({ text }) => text)],
      [
        ['#5f7a70', '#84978e'],
        ['milk', 'goal', 'highest'],
      ],
    ],
    [
      'series that are quieted keep tones and names of their own, and labels say whose they are',
      planned(
        [make('extremes', { which: 'highest' })],
        { goal: false, data: { series: 'valley' } },
        { ...livery, quietSeries: ['#84978e', '#7f90ad'] },
      ),
      plan => [
        partsOf(plan).layers.map(layer => layer.colour),
        plan.legend.map(({ text }) => text),
        partsOf(plan).layers.flatMap(layer => layer.labels.map(({ text }) => text)),
      ],
      [['#84978e', '#7f90ad'], ['Tolm', 'Siddel', 'highest'], ['Tolm 40']],
    ],
    [
      'a cue colours the marks of its own measure alone',
      planned([make('extremes', { measure: 'goal', which: 'highest' })]),
      plan => partsOf(plan).layers.map(layer => layer.colours.filter(colour => colour === '#b87f0a').length),
      [0, 1],
    ],
  ];
  for (const [name, plan, seen, expected] of cases) it(name, () => expect(seen(plan)).toEqual(expected));
});
