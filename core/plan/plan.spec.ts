import { plainMeasure } from 'core/frame';
import { kindOf, type CueFacts, cueFactsOf } from 'core/cue';
import { firstFigure } from 'core/brief';
import { plainFormat, plainScales, type Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { makeTable, named, tableOf, valuesFrom, type Cell } from 'core/table';
import { colourIn, pictureOf, type Picture, type ChartPlan as Plan } from './index';
import { whyOf, writerOf } from 'core/words';
import { livery } from './plan-frames.spec';
import { partsOf } from './parts.spec';

const writing = { units: { milk: 'L' }, formats: [] };
const huts = ['Alm', 'Berg', 'Cloud', 'Dale'];

function pictured(
  milk: Cell[],
  change: (figure: Figure) => Partial<Figure> = () => ({}),
  names: Cell[] = huts,
): { picture: Picture; figure: Figure } {
  const table = tableOf({ hut: names, milk: milk.map(value => value as number) }, 'deliveries');
  const columns = [
    { name: 'hut', type: 'text' as const },
    { name: 'milk', type: 'number' as const },
  ];
  const first = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: names.length, units: writing.units, columns });
  const inOrder = { ...first, data: { ...first.data, order: { by: 'table' as const } } };
  const figure = { ...inOrder, ...change(inOrder) };
  const read = pictureOf({ figure, table, writing, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { picture: read.value, figure };
}

const planned = (milk: Cell[], change?: (figure: Figure) => Partial<Figure>, names?: Cell[]): Plan =>
  pictured(milk, change, names).picture.plans.at(-1) as Plan;

const words: CueFacts = cueFactsOf({ category: 'hut', measures: ['milk'], scopes: [] });

describe('plans', () => {
  it('colours each bar by its helper column, labels the marked, explains them', () => {
    const plan = planned([3, 9, 9, 1]);
    expect(partsOf(plan).layers[0]?.colours).toEqual(['#84978e', '#b87f0a', '#b87f0a', '#36506e']);
    expect(partsOf(plan).layers[0]?.labels.map(({ at, text, where, rank, number }) => [at, text, where, rank, number?.value])).toEqual([
      [1, '9', 'end', 1, 9],
      [2, '9', 'end', 1, 9],
      [3, '1', 'end', 1, 1],
    ]);
    expect(plan.legend.map(({ text, key }) => [text, key.kind === 'mark' && key.colour])).toEqual([
      ['highest', '#b87f0a'],
      ['lowest', '#36506e'],
      ['the rest', '#84978e'],
    ]);
    expect([plan.title, plan.axisNote, plan.categories]).toEqual(['Milk by hut', 'milk (L) by hut', huts]);
  });

  const cases: readonly [
    name: string,
    milk: Cell[],
    change: (figure: Figure) => Partial<Figure>,
    look: (plan: Plan) => unknown,
    expected: unknown,
  ][] = [
    [
      'plain shows no cue',
      [3, 9, 5, 1],
      () => ({ view: 'plain' }),
      plan => [partsOf(plan).layers[0]?.colours[1], plan.legend, partsOf(plan).layers[0]?.labels],
      ['#5f7a70', [], []],
    ],
    [
      'plain and cued share one scale',
      [3, 9, 5, 1],
      () => ({ view: 'plain' }),
      plan => plan.panels[0]?.axes[0]?.scale.high,
      planned([3, 9, 5, 1]).panels[0]?.axes[0]?.scale.high,
    ],
    [
      'the rest left as it is',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => ({ ...cue, quiet: false })) }),
      plan => [partsOf(plan).layers[0]?.colours[0], plan.legend.length],
      ['#5f7a70', 2],
    ],
    [
      'no labels asked',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => kindOf(cue).change(cue, 'labels', 'none', words)) }),
      plan => partsOf(plan).layers[0]?.labels,
      [],
    ],
    [
      'labels with decimals',
      [3, 9, 5, 1],
      () => ({ scales: { ...plainScales, gridlines: false, unit: 'hL', decimals: 1 } }),
      plan => [partsOf(plan).layers[0]?.labels[0]?.text, plan.axisNote, plan.gridlines],
      ['9.0', 'milk (hL) by hut', false],
    ],
    [
      'only what shows is explained',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => kindOf(cue).change(cue, 'which', 'highest', words)) }),
      plan => plan.legend.map(entry => entry.text),
      ['highest', 'the rest'],
    ],
    ['lying bars', [3, 9, 5, 1], ({ shape }) => ({ shape: { ...shape, mark: 'bar' } }), plan => plan.horizontal, true],
    [
      'an own colour',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => kindOf(cue).change(cue, 'look:highest:colour', '#010203', words)) }),
      plan => partsOf(plan).layers[0]?.colours[1],
      '#010203',
    ],
    [
      'nothing but missing values',
      [null, null, null, null],
      () => ({}),
      plan => [partsOf(plan).layers[0]?.labels, plan.legend, plan.panels[0]?.axes[0]?.scale.high],
      [[], [], 1],
    ],
  ];
  for (const [name, milk, change, look, expected] of cases) it(name, () => expect(look(planned(milk, change))).toEqual(expected));

  it('cuts a name without end, and nothing else', () => {
    const names = ['x'.repeat(5_000_000), 'y'.repeat(400)];
    expect(planned([2, 1], undefined, names).categories).toEqual([`${'x'.repeat(400)}…`, 'y'.repeat(400)]);
  });
  it('names a missing category', () =>
    expect(planned([1, 2, 3, 4], undefined, ['Alm', null, 'Cloud', '']).categories).toEqual(['Alm', '(missing)', 'Cloud', '']));
  it('both draws plain, then cued', () => {
    const { picture } = pictured([3, 9, 5, 1], () => ({ view: 'both' }));
    expect(picture.plans.map(plan => plan.legend.length)).toEqual([0, 3]);
  });
});

describe('layers, panels and formats', () => {
  const table = tableOf({
    hut: ['Alm', 'Alm', 'Berg', 'Berg'],
    valley: ['Tolm', 'Siddel', 'Tolm', 'Siddel'],
    milk: [1, 2, 3, 4],
    plan: [10, -20, 30, 40],
  });
  const first = firstFigure('f', { id: 'd', name: 'd', rowCount: 4, units: {}, columns: table.columns });
  const formats = [plainFormat('percent', { decimals: 1, percent: true })];
  function drawn(data: Partial<Figure['data']>, shape: Partial<Figure['shape']> = {}): Plan {
    const figure: Figure = {
      ...first,
      cues: [],
      data: { ...first.data, order: { by: 'table' }, ...data },
      shape: { ...first.shape, ...shape },
    };
    const read = pictureOf({ figure, table, writing: { units: {}, formats }, livery });
    if (!read.ok) throw new Error(read.problems.map(messageFor).join());
    return read.value.plans[0] as Plan;
  }
  const measures = [plainMeasure('milk', 'sum(milk)'), { ...plainMeasure('plan', 'sum(plan)'), shape: 'line' as const }];

  it('a series per valley, along shared categories', () => {
    const plan = drawn({ series: 'valley' });
    expect(plan.categories).toEqual(['Alm', 'Berg']);
    expect(partsOf(plan).layers.map(layer => [layer.name, [...layer.values], [...layer.rows], layer.colour])).toEqual([
      ['Tolm', [1, 3], [0, 2], '#5f7a70'],
      ['Siddel', [2, 4], [1, 3], '#3b5f95'],
    ]);
    expect(plan.legend.map(entry => entry.text)).toEqual(['Tolm', 'Siddel']);
  });
  const cases: readonly [name: string, plan: Plan, look: (plan: Plan) => unknown, expected: unknown][] = [
    [
      'stacks reach to their sum',
      drawn({ series: 'valley' }, { arrange: 'stacked' }),
      plan => [partsOf(plan).layers.map(layer => layer.bases?.[0]), plan.panels[0]?.axes[0]?.scale.high],
      [[0, 1], 8],
    ],
    [
      'measures side by side have a colour each',
      drawn({ measures }),
      plan => partsOf(plan).layers.map(layer => [layer.name, layer.colour]),
      [
        ['milk', '#5f7a70'],
        ['plan', '#3b5f95'],
      ],
    ],
    ['side by side to the highest', drawn({ series: 'valley' }), plan => plan.panels[0]?.axes[0]?.scale.high, 4],
    [
      'a panel per valley, named',
      drawn({ panel: 'valley' }),
      plan => [plan.panels.map(panel => panel.title), partsOf(plan).layers.map(layer => layer.panel)],
      [
        ['Tolm', 'Siddel'],
        [0, 1],
      ],
    ],
    ['each measure its shape', drawn({ measures }), plan => partsOf(plan).layers.map(layer => layer.shape), ['column', 'line']],
    ['a panel per measure', drawn({ measures }, { panels: 'measures' }), plan => plan.panels.map(panel => panel.title), ['milk', 'plan']],
    ['lines fit their data', drawn({}, { mark: 'line' }), plan => plan.panels[0]?.axes[0]?.scale.low, 3],
    ['areas stand on zero', drawn({}, { mark: 'area' }), plan => plan.panels[0]?.axes[0]?.scale.low, 0],
    [
      'drawn helper columns are layers',
      drawn({ helpers: [{ name: 'twice', formula: 'milk * 2', scope: { kind: 'own' }, shape: 'points', axis: 'first', format: null }] }),
      plan => partsOf(plan).layers.map(layer => [layer.name, layer.shape, [...layer.values]]),
      [
        ['milk', 'column', [3, 7]],
        ['twice', 'points', [6, 14]],
      ],
    ],
    [
      'helper columns in the ledger only are not',
      drawn({ helpers: [{ name: 'twice', formula: 'milk * 2', scope: { kind: 'own' }, shape: null, axis: 'first', format: null }] }),
      plan => partsOf(plan).layers.length,
      1,
    ],
    [
      'formats write ticks',
      drawn({ measures: [{ ...plainMeasure('milk', 'sum(milk) / 10'), format: 'percent' }] }),
      plan => plan.panels[0]?.axes[0]?.tickLabels.at(-1),
      '80 %',
    ],
    [
      'bins are named by their start',
      drawn({ category: 'plan', step: { kind: 'bin', width: 30 }, measures: [plainMeasure('n', 'count(*)')] }),
      plan => plan.categories,
      ['from −30', 'from 0', 'from 30'],
    ],
    [
      'the description tells of series',
      drawn({ series: 'valley' }),
      plan => plan.description,
      'Columns of milk for 4 values, a series per valley: Tolm and Siddel, in table order. Values run from 1 to 4.',
    ],
  ];
  for (const [name, plan, look, expected] of cases) it(name, () => expect(look(plan)).toEqual(expected));
  it('periods are named as people name them', () => {
    const dated = makeTable('t', [named('d', valuesFrom('date', ['2031-02-03', '2031-05-04'])), ...tableOf({ x: [1, 2] }).columns]);
    const names = (grain: 'month' | 'quarter' | 'year'): string[] => {
      const figure: Figure = {
        ...first,
        cues: [],
        data: {
          ...first.data,
          category: 'd',
          measures: [plainMeasure('x', 'sum(x)')],
          step: { kind: 'grain', grain },
          order: { by: 'category', descending: false },
        },
      };
      const read = pictureOf({ figure, table: dated, writing, livery });
      return read.ok ? [...(read.value.plans[0] as Plan).categories] : [];
    };
    expect(names('month')).toEqual(['Feb 2031', 'Mar 2031', 'Apr 2031', 'May 2031']);
    expect(names('quarter')).toEqual(['Q1 2031', 'Q2 2031']);
    expect(names('year')).toEqual(['2031']);
  });
});

describe('the figure in words', () => {
  const cases: readonly [name: string, milk: Cell[], says: string][] = [
    [
      'marks',
      [3, 9, 5, 1],
      'Columns of milk for 4 huts, in table order. Values run from 1 L to 9 L. Highest: Berg, 9 L. Lowest: Dale, 1 L. Shown cued.',
    ],
    [
      'ties',
      [9, 9, 5, 1],
      'Columns of milk for 4 huts, in table order. Values run from 1 L to 9 L. Highest: Alm, 9 L; Berg, 9 L. Lowest: Dale, 1 L. Shown cued.',
    ],
    [
      'missing',
      [3, 9, null, null],
      'Columns of milk for 4 huts, in table order. Values run from 3 L to 9 L. Highest: Berg, 9 L. Lowest: Alm, 3 L. Missing: 2 values. Shown cued.',
    ],
  ];
  for (const [name, milk, says] of cases) it(name, () => expect(planned(milk).description).toBe(says));
});

describe('why a mark looks as it does', () => {
  const { picture, figure } = pictured([3, 9, null, 1]);
  const cases: readonly [row: number, says: string][] = [
    [0, 'Quiet, because no cue marks it.'],
    [1, 'Brass, because milk 9 L is the highest of 3 huts (cue 1).'],
    [2, 'Missing: no value, which is not zero.'],
    [3, 'Slate, because milk 1 L is the lowest of 3 huts (cue 1).'],
  ];
  for (const [row, says] of cases) it(says, () => expect(whyOf(picture, row, figure, writing)).toBe(says));
  it('says nothing where nothing is marked', () => {
    const plain = pictured([3, 9], () => ({ cues: [] }), ['Alm', 'Berg']);
    expect(whyOf(plain.picture, 0, plain.figure, writing)).toBe('');
  });
});

describe('liveries and writers', () => {
  const colours: readonly [colour: string, hex: string][] = [
    ['brass', '#b87f0a'],
    ['#abcdef', '#abcdef'],
    ['no such', '#5f7a70'],
    ['#12', '#5f7a70'],
  ];
  for (const [colour, hex] of colours) it(`${colour} is ${hex}`, () => expect(colourIn(livery, colour)).toBe(hex));
  it('an empty unit means none', () => {
    const { figure } = pictured([1, 2, 3, 4], ({ scales }) => ({ scales: { ...scales, unit: '' } }));
    expect(writerOf(figure, writing).full('milk', 5)).toBe('5');
  });
});
