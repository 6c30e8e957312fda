import { cueFactsOf, cueKinds, type Cue } from 'core/cue';
import { plainFormat, plainLabels, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { LIGHT_LIVERY, pictureOf, type ChartPlan, type Livery } from 'core/plan';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { firstFigure } from 'core/brief';
import { risksOf, type CheckName, type FoundRisk } from './index';
import { LOOKED_AT } from './looked-at.spec';

const HUTS = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J'];
const table = tableOf({ hut: HUTS, milk: [100, 90, 80, 70, 60, 50, 40, 30, 20, 10], fat: [9, 8, 7, 6, 5, 4, 3, 2, 1, 1] });
const formats = [plainFormat('litres', { suffix: ' L' })];
const facts = cueFactsOf({ category: 'hut', measures: ['milk'] });
const cueOf = (kind: 'extremes' | 'compare' | 'rank', change: object = {}, id = 'c'): Cue => ({
  ...cueKinds[kind].create(id, facts),
  ...change,
});

function figureOf(change: Partial<Figure>): Figure {
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: HUTS.length, units: {}, columns: table.columns }, 'hut');
  const data = { ...made.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' as const } };
  return { ...made, data, cues: [], words: { title: 'Milk', subtitle: '' }, ...change };
}

function risks(figure: Figure, livery: Livery = LIGHT_LIVERY): FoundRisk[] {
  const made = pictureOf({ figure, table, writing: { units: {}, formats }, livery });
  if (!made.ok) throw new Error(made.problems.map(messageFor).join());
  const { frame, applied, plans } = made.value;
  return risksOf({ figure, plan: plans[0] as ChartPlan, units: {}, derived: [], formats, frame, applied });
}

const twoLines = { measures: [plainMeasure('milk', 'sum(milk)'), plainMeasure('fat', 'sum(fat)')] };
const extremes = cueOf('extremes');
const looksOf = (cue: Cue, colour: string): Cue => ({
  ...cue,
  looks: Object.fromEntries(Object.entries(cue.looks).map(([part, look]) => [part, { ...look, colour }])),
});

interface Row {
  readonly check: CheckName;
  readonly change: Partial<Figure>;
  readonly livery?: Livery;
  readonly words: RegExp;
  /** Whether it has a mend; taken, the risk is gone. */
  readonly mends: boolean;
}

const many = cueOf('rank', { n: 6, end: 'top' });
const rows: readonly Row[] = [
  {
    check: 'stale-title',
    change: { words: { title: 'A brings 412 litres', subtitle: '' }, cues: [extremes] },
    words: /The title says 412, which is no value/,
    mends: true,
  },
  { check: 'too-much-emphasis', change: { cues: [many, cueOf('extremes', {}, 'x')] }, words: /7 of 10 marks are emphasised/, mends: true },
  {
    check: 'one-colour-twice',
    change: {
      cues: [looksOf(cueOf('extremes', { which: 'highest' }, 'a'), 'clay'), looksOf(cueOf('extremes', { which: 'lowest' }, 'b'), 'clay')],
    },
    words: /have one colour though cues 1 and 2 mean different things/,
    mends: false,
  },
  {
    check: 'collapsing-colours',
    change: {
      cues: [
        {
          ...extremes,
          looks: {
            ...extremes.looks,
            highest: { ...extremes.looks['highest']!, colour: '#8a7a2e' },
            lowest: { ...extremes.looks['lowest']!, colour: '#5c8a3c' },
          },
        },
      ],
    },
    words: /look alike in protanopia/,
    mends: true,
  },
  {
    check: 'low-contrast',
    change: { cues: [extremes] },
    livery: { ...LIGHT_LIVERY, quiet: '#e4e9e6', quietSeries: ['#e4e9e6'] },
    words: /“the rest” stands out from the ground at 1\.2 : 1 alone/,
    mends: false,
  },
  {
    check: 'hidden-series',
    change: { data: { ...figureOf({}).data, ...twoLines }, dress: { livery: null, legend: 'none', colours: [] } },
    words: /milk and fat are told apart by their looks, and no legend says/,
    mends: true,
  },
  {
    check: 'other-format',
    change: { labels: { ...plainLabels, what: 'all', format: 'litres' } },
    words: /Labels write milk as litres, the axis as it comes/,
    mends: true,
  },
];

describe('checks of words and looks', () => {
  it('are those that are said to be tried here', () =>
    expect([...new Set([...rows.map(({ check }) => check), 'too-many-labels' as const])].sort()).toEqual([...LOOKED_AT].sort()));

  for (const { check, change, livery, words, mends } of rows)
    it(check, () => {
      const figure = figureOf(change);
      const risk = risks(figure, livery).find(item => item.check === check);
      expect(risk?.words).toMatch(words);
      expect(risk?.mend !== null).toBe(mends);
      if (!risk?.mend) return;
      expect(risk.mend.words).toMatch(/^[A-Z]/);
      expect(risks({ ...figure, ...risk.mend.change }, livery).map(item => item.check)).not.toContain(check);
    });

  const quiet: readonly [name: string, change: Partial<Figure>][] = [
    ['a title without a number', { words: { title: 'Milk of ten huts', subtitle: '' } }],
    ['a title that says the highest value', { words: { title: 'A brings 100 litres', subtitle: '' } }],
    ['one that says the sum', { words: { title: '550 litres in all', subtitle: '' } }],
    ['one that says a share', { words: { title: 'A brings 18.2 % of it', subtitle: '' } }],
    ['one that says a year, and a small count', { words: { title: 'Season 2031: the 3 best', subtitle: '' } }],
    ['one that rounds a value', { words: { title: 'About 0.1 K from A', subtitle: '' } }],
    ['one that is computed', { words: { title: '{max(milk)} L, not 999', subtitle: '' } }],
    ['highest and lowest', { cues: [extremes] }],
    ['labels as the axis writes', { labels: { ...plainLabels, what: 'all' } }],
    ['one series without a legend', { dress: { livery: null, legend: 'none', colours: [] } }],
  ];
  for (const [name, change] of quiet)
    it(`nothing of ${name}`, () => expect(risks(figureOf(change)).map(({ check, words }) => [check, words])).toEqual([]));

  it('too many labels are named, and may be taken away', () => {
    const rowsOf = Array.from({ length: 120 }, (_, i) => i);
    const large = tableOf({ hut: rowsOf.map(i => `h${i}`), milk: rowsOf });
    const figure = { ...figureOf({ labels: { ...plainLabels, what: 'all' } }) };
    const made = pictureOf({ figure, table: large, writing: { units: {}, formats }, livery: LIGHT_LIVERY });
    if (!made.ok) throw new Error('no picture');
    const found = risksOf({
      figure,
      plan: made.value.plans[0] as ChartPlan,
      units: {},
      derived: [],
      formats,
      frame: made.value.frame,
      applied: [],
    });
    const risk = found.find(({ check }) => check === 'too-many-labels');
    expect(risk?.words).toMatch(/^120 labels are asked for/);
    expect(risk?.mend?.change.labels?.what).toBe('cued');
  });
});
