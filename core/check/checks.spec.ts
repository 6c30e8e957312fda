import { cueKinds, cueFactsOf } from 'core/cue';
import { plainFormat, plainScales, withAxis, type AxisChoice, type Derived, type Figure } from 'core/document';
import { plainMeasure, type Measure } from 'core/frame';
import { pictureOf, type ChartPlan } from 'core/plan';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { firstFigure } from 'core/brief';
import { checks, risksOf, type Check, type CheckName, type FoundRisk } from './index';
import { LOOKED_AT } from './looked-at.spec';

const table = tableOf({
  hut: ['A', 'B', 'C', 'D'],
  milk: [200, 100, 1000, 400],
  fat: [8, 5, 30, 20],
  share: [0.04, 0.05, 0.03, 0.05],
  percents: [4, 5, 3, 5],
  balance: [-30, 20, 10, -5],
  cells: [10, 0, 1000, -2],
  ratio: [0.04, 0.05, 0.03, 0.05],
});
const derived: readonly Derived[] = [{ name: 'ratio', formula: 'fat / milk' }];
const formats = [plainFormat('percent', { percent: true, decimals: 1 })];
const livery = {
  ground: '#ffffff',
  ink: '#000000',
  soft: '#777777',
  hair: '#dddddd',
  base: '#5f7a70',
  series: ['#5f7a70', '#3b66a6'],
  quiet: '#84978e',
  colours: { clay: '#b5401f', brass: '#b37a07', slate: '#31485f' },
  font: 'sans-serif',
};

interface Change {
  readonly measures?: readonly Measure[];
  readonly first?: Partial<AxisChoice>;
  readonly second?: Partial<AxisChoice>;
  readonly scales?: Partial<Figure['scales']>;
  readonly mark?: Figure['shape']['mark'];
  readonly cues?: Figure['cues'];
  readonly units?: Readonly<Record<string, string>>;
}

const column = (name: string, change: Partial<Measure> = {}): Measure => ({ ...plainMeasure(name, `sum(${name})`), ...change });
const milk = column('milk');

function figureOf({ measures = [milk], first, second, scales, mark = 'column', cues = [] }: Change): Figure {
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: 4, units: {}, columns: table.columns }, 'hut');
  return {
    ...made,
    data: { ...made.data, category: 'hut', measures: [...measures], order: { by: 'table' } },
    shape: { ...made.shape, mark },
    scales: withAxis(withAxis({ ...plainScales, ...scales }, 'first', first ?? {}), 'second', second ?? {}),
    cues: [...cues],
  };
}

function risks(
  figure: Figure,
  units: Readonly<Record<string, string>> = {},
  registry: Readonly<Record<CheckName, Check>> = checks,
): FoundRisk[] {
  const made = pictureOf({ figure, table, writing: { units, formats }, livery });
  if (!made.ok) throw new Error(made.problems.map(messageFor).join());
  return risksOf(
    {
      figure,
      plan: made.value.plans[0] as ChartPlan,
      units,
      derived,
      formats,
      frame: made.value.frame,
      applied: made.value.applied,
    },
    registry,
  );
}

const second = (name: string): Measure => column(name, { axis: 'second', shape: 'line' });
const reference = (value: number) => ({
  ...cueKinds.reference.create('r', cueFactsOf({ category: 'hut', measures: ['milk'] })),
  level: { is: 'number' as const, value },
});

describe('checks', () => {
  const found: readonly [check: CheckName, change: Change, words: RegExp, key: string][] = [
    ['zero-left-out', { first: { zero: 'out' } }, /The axis leaves out zero/, 'zero:first'],
    ['zero-left-out', { first: { low: 50 } }, /lengths of bars do not compare/, 'low:first'],
    [
      'zero-left-out',
      { measures: [column('fat', { shape: 'line' }), column('milk', { axis: 'second' })], second: { low: 90 } },
      /The second axis leaves out zero/,
      'low:second',
    ],
    ['percent-mixed-up', { measures: [column('percents', { format: 'percent' })] }, /read a hundred times too large/, 'format:0'],
    ['percent-mixed-up', { measures: [column('share')], units: { share: '%' } }, /read a hundred times too small/, 'unit'],
    ['mean-of-ratios', { measures: [plainMeasure('fat share', 'avg(fat / milk)')] }, /averages fat \/ milk row by row/, 'summary:0'],
    ['mean-of-ratios', { measures: [plainMeasure('fat share', 'avg(ratio)')] }, /averages fat \/ milk row by row/, 'summary:0'],
    [
      'one-unit-two-scales',
      { measures: [milk, second('fat')], units: { milk: 'kg', fat: 'kg' } },
      /Both axes count kg on different scales/,
      'between',
    ],
    ['zeros-apart', { measures: [milk, second('balance')] }, /zeros at different heights/, 'between'],
    [
      'no-logarithm',
      { measures: [column('cells')], first: { scale: 'log' } },
      /2 values at or below zero have no place on the axis/,
      'scale:first',
    ],
    ['lengths-on-log', { first: { scale: 'log' } }, /only where they end/, 'mark'],
    ['hiding-break', { first: { breaks: [{ from: 90, to: 410 }] } }, /broken where 3 of 4 values lie/, 'breaks:first'],
    ['outside-axis', { cues: [reference(500)], first: { high: 300 } }, /beyond the axis, where it cannot be seen/, 'high:first'],
    ['above-ceiling', { first: { ceiling: 500 } }, /1 value lies above the ceiling of the axis, 500/, 'ceiling:first'],
    [
      'above-ceiling',
      { measures: [column('balance')], first: { floor: -10 } },
      /1 value lies below the floor of the axis, -10/,
      'floor:first',
    ],
  ];
  for (const [check, change, words, key] of found)
    it(`${check}: ${JSON.stringify(change).slice(0, 90)}`, () => {
      const figure = figureOf(change);
      const risk = risks(figure, change.units).find(item => item.check === check);
      expect(risk?.words).toMatch(words);
      expect(risk?.key).toBe(key);
      const mended = { ...figure, ...risk?.mend?.change };
      expect(risk?.mend?.words).toMatch(/^[A-Z]/);
      expect(risks(mended, change.units).map(item => item.check)).not.toContain(check);
    });

  it('every check is found once at least, here or in the specs of words and looks', () =>
    expect([...new Set([...found.map(([check]) => check), ...LOOKED_AT])].sort()).toEqual(Object.keys(checks).sort() as CheckName[]));

  const quiet: readonly [name: string, change: Change][] = [
    ['a plain figure', {}],
    ['lines that leave out zero', { mark: 'line', first: { zero: 'out' } }],
    ['shares written as percents', { measures: [column('share', { format: 'percent' })] }],
    ['percents in percent', { measures: [column('percents')], units: { percents: '%' } }],
    ['a ratio of sums', { measures: [plainMeasure('fat share', 'sum(fat) / sum(milk)')] }],
    ['an average divided by a number', { measures: [plainMeasure('fat', 'avg(fat / 10)')] }],
    ['an average of what is no ratio', { measures: [plainMeasure('milk', 'avg(milk)')] }],
    ['matched axes of one unit', { measures: [milk, second('fat')], units: { milk: 'kg', fat: 'kg' }, scales: { between: 'matched' } }],
    ['axes of two units', { measures: [milk, second('fat')], units: { milk: 'L', fat: 'kg' } }],
    ['zeros at one height', { measures: [milk, second('balance')], scales: { between: 'zeros' } }],
    ['points on a log axis', { mark: 'points', first: { scale: 'log' } }],
    ['a break through a gap', { first: { breaks: [{ from: 450, to: 950 }] } }],
    ['a ceiling that is kept', { first: { ceiling: 1000 } }],
    ['a line within its axis', { cues: [reference(500)] }],
  ];
  for (const [name, change] of quiet)
    it(`nothing of ${name}`, () => expect(risks(figureOf(change), change.units).map(({ check, words }) => [check, words])).toEqual([]));

  it('zeros that no axis can bring together are named, without a mend', () => {
    const risk = risks(figureOf({ measures: [column('cells'), second('balance')], first: { scale: 'symlog' } })).find(
      ({ check }) => check === 'zeros-apart',
    );
    expect([risk?.key, risk?.mend]).toEqual(['between', null]);
  });
  it('the ratio of sums is what a total would give', () => {
    const figure = figureOf({ measures: [plainMeasure('fat share', 'avg(fat / milk)')] });
    const change = risks(figure)[0]?.mend?.change.data?.measures[0]?.formula;
    expect(change).toBe('sum(fat) / sum(milk)');
  });
  it('a check that throws is told, and stops no other', () => {
    const broken: Check = {
      ...checks['zeros-apart'],
      find: () => {
        throw new Error('no axes');
      },
    };
    const found = risks(figureOf({ first: { zero: 'out' } }), {}, { ...checks, 'zeros-apart': broken });
    expect(found.map(({ check, key }) => [check, key])).toEqual([
      ['zero-left-out', 'zero:first'],
      ['zeros-apart', null],
    ]);
    expect(found[1]?.words).toMatch(/failed on this figure, so nothing is known of that risk \(no axes\)/);
  });
});
