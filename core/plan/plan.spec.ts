import { firstFigure, type Figure } from 'core/project';
import { messageFor } from 'core/result';
import { tableOf, type Cell } from 'core/table';
import { colourIn, pictureOf, whyOf, writerOf, type Livery, type Picture, type Plan } from './index';

export const livery: Livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#555555',
  hair: '#dddddd',
  base: '#5f7a70',
  quiet: '#84978e',
  colours: { brass: '#b87f0a', slate: '#36506e', clay: '#b5482f' },
  font: 'sans-serif',
};
const units = { milk: 'L' };
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
  const first = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: names.length, units, columns });
  const inOrder = { ...first, data: { ...first.data, order: { by: 'table' as const } } };
  const figure = { ...inOrder, ...change(inOrder) };
  const read = pictureOf({ figure, table, units, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return { picture: read.value, figure };
}

const planned = (milk: Cell[], change?: (figure: Figure) => Partial<Figure>, names?: Cell[]): Plan =>
  pictured(milk, change, names).picture.plans.at(-1) as Plan;

describe('plans', () => {
  it('colours each bar by its helper column, labels the marked, explains them', () => {
    const plan = planned([3, 9, 9, 1]);
    expect(plan.bars[0]?.colours).toEqual(['#84978e', '#b87f0a', '#b87f0a', '#36506e']);
    expect(plan.bars[0]?.labels).toEqual([
      { row: 1, text: '9' },
      { row: 2, text: '9' },
      { row: 3, text: '1' },
    ]);
    expect(plan.legend.map(({ text, colour }) => [text, colour])).toEqual([
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
      plan => [plan.bars[0]?.colours[1], plan.legend, plan.bars[0]?.labels],
      ['#5f7a70', [], []],
    ],
    ['plain and cued share one scale', [3, 9, 5, 1], () => ({ view: 'plain' }), plan => plan.scale.high, planned([3, 9, 5, 1]).scale.high],
    [
      'the rest left as it is',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => ({ ...cue, quiet: false })) }),
      plan => [plan.bars[0]?.colours[0], plan.legend.length],
      ['#5f7a70', 2],
    ],
    [
      'no labels asked',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => ({ ...cue, labels: false })) }),
      plan => plan.bars[0]?.labels,
      [],
    ],
    [
      'labels with decimals',
      [3, 9, 5, 1],
      () => ({ scales: { gridlines: false, unit: 'hL', decimals: 1 } }),
      plan => [plan.bars[0]?.labels[0]?.text, plan.axisNote, plan.gridlines],
      ['9.0', 'milk (hL) by hut', false],
    ],
    [
      'only what shows is explained',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => ({ ...cue, which: 'highest' as const })) }),
      plan => plan.legend.map(entry => entry.text),
      ['highest', 'the rest'],
    ],
    ['lying bars', [3, 9, 5, 1], ({ shape }) => ({ shape: { ...shape, mark: 'bar' } }), plan => plan.lying, true],
    [
      'an own colour',
      [3, 9, 5, 1],
      ({ cues }) => ({ cues: cues.map(cue => ({ ...cue, highest: '#010203' })) }),
      plan => plan.bars[0]?.colours[1],
      '#010203',
    ],
    [
      'nothing but missing values',
      [null, null, null, null],
      () => ({}),
      plan => [plan.bars[0]?.labels, plan.legend, plan.scale.high],
      [[], [], 1],
    ],
  ];
  for (const [name, milk, change, look, expected] of cases) it(name, () => expect(look(planned(milk, change))).toEqual(expected));

  it('names a missing category', () =>
    expect(planned([1, 2, 3, 4], undefined, ['Alm', null, 'Cloud', '']).categories).toEqual(['Alm', '(missing)', 'Cloud', '']));
  it('both draws plain, then cued', () => {
    const { picture } = pictured([3, 9, 5, 1], () => ({ view: 'both' }));
    expect(picture.plans.map(plan => plan.legend.length)).toEqual([0, 3]);
  });
});

describe('the figure in words', () => {
  const cases: readonly [name: string, milk: Cell[], says: string][] = [
    ['marks', [3, 9, 5, 1], 'Columns of milk for 4 huts, in table order. Highest: Berg, 9 L. Lowest: Dale, 1 L.'],
    ['ties', [9, 9, 5, 1], 'Columns of milk for 4 huts, in table order. Highest: Alm, 9 L; Berg, 9 L. Lowest: Dale, 1 L.'],
    ['missing', [3, 9, null, null], 'Columns of milk for 4 huts, in table order. Highest: Berg, 9 L. Lowest: Alm, 3 L. Missing: 2 values.'],
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
  for (const [row, says] of cases) it(says, () => expect(whyOf(picture, row, figure, units)).toBe(says));
  it('says nothing where nothing is marked', () => {
    const plain = pictured([3, 9], () => ({ cues: [] }), ['Alm', 'Berg']);
    expect(whyOf(plain.picture, 0, plain.figure, units)).toBe('');
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
    expect(writerOf(figure, units).full('milk', 5)).toBe('5');
  });
});
