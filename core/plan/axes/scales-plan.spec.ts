import { plainMeasure } from 'core/frame';
import { firstFigure } from 'core/brief';
import { plainScales, type AxisChoice, type Figure } from 'core/document';
import { messageFor } from 'core/result/words';
import { positionOf } from 'core/scale';
import { tableOf } from 'core/table';
import { livery } from '../plan-frames.spec';
import { pictureOf, type ChartPlan } from '../index';

const table = tableOf({
  hut: ['A', 'B', 'C', 'D', 'E'],
  cells: [4000, 120, 3_000_000, 0, -20],
  milk: [20, 90, 60, 1010, NaN],
  balance: [-10, 30, 5, 20, 0],
});

interface Change {
  readonly measures?: Figure['data']['measures'];
  readonly first?: Partial<AxisChoice>;
  readonly second?: Partial<AxisChoice>;
  readonly scales?: Partial<Figure['scales']>;
  readonly shape?: Partial<Figure['shape']>;
}

const milk = plainMeasure('milk', 'sum(milk)');
const cells = plainMeasure('cells', 'sum(cells)');
const balance = { ...plainMeasure('balance', 'sum(balance)'), axis: 'second' as const, shape: 'line' as const };

function planOf({ measures = [milk], first, second, scales, shape }: Change): ChartPlan {
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: 5, units: { cells: '/mL' }, columns: table.columns });
  const axes = { first: { ...plainScales.axes.first, ...first }, second: { ...plainScales.axes.second, ...second } };
  const figure: Figure = {
    ...made,
    data: { ...made.data, category: 'hut', measures, order: { by: 'table' } },
    shape: { ...made.shape, mark: 'column', ...shape },
    scales: { ...plainScales, axes, ...scales },
    cues: [],
  };
  const read = pictureOf({ figure, table, writing: { units: { cells: '/mL' }, formats: [] }, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value.plans[0] as ChartPlan;
}

const axisOf = (plan: ChartPlan, at = 0) => plan.panels[0]?.axes[at];
const endsOf = (plan: ChartPlan, at = 0) => [axisOf(plan, at)?.scale.low, axisOf(plan, at)?.scale.high];

describe('a log axis', () => {
  const plan = planOf({ measures: [cells], first: { scale: 'log' } });
  it('begins below the smallest value above zero, since bars are read by their length', () => expect(endsOf(plan)[0]).toBe(100));
  it('counts, names and marks what has no place on it', () => {
    expect(plan.panels[0]?.layers[0]?.beyond).toEqual([
      { at: 3, side: -1 },
      { at: 4, side: -1 },
    ]);
    expect(plan.notes).toEqual(['2 values at or below zero have no place on the log scale: D, E']);
    expect(plan.description).toContain('2 values at or below zero have no place on the log scale: D, E.');
  });
  it('says of itself what it is', () =>
    expect(plan.axisNote).toBe(
      'cells (/mL) by hut · log scale to base 10 · 2 values at or below zero have no place on the log scale: D, E',
    ));

  const numbers: readonly [name: string, first: Partial<AxisChoice>, labels: string[]][] = [
    ['plain, each with the decimals that it needs', { low: 0.01, high: 100 }, ['0.01', '0.1', '1', '10', '100']],
    ['with the unit', { low: 10, high: 1000, written: 'unit' }, ['10 /mL', '100 /mL', '1,000 /mL']],
    ['large ones in thousands and millions, unasked', { low: 1000, high: 10_000_000, every: 2 }, ['10 K', '1 M']],
    ['as powers', { low: 1000, high: 1_000_000, every: 2, written: 'powers' }, ['10⁴', '10⁶']],
    ['as powers of two', { base: 2, low: 4, high: 32, written: 'powers' }, ['2²', '2³', '2⁴', '2⁵']],
    ['as powers of e', { base: Math.E, low: 1, high: 25, written: 'powers' }, ['e⁰', 'e¹', 'e²', 'e³']],
    ['what is no power stays plain', { low: 200, high: 800, written: 'powers' }, ['200', '500']],
  ];
  for (const [name, first, labels] of numbers)
    it(`numbers ${name}`, () =>
      expect(axisOf(planOf({ measures: [cells], first: { scale: 'log', ...first } }))?.tickLabels).toEqual(labels));
});

describe('large numbers of an axis', () => {
  const cases: readonly [name: string, first: Partial<AxisChoice>, labels: string[]][] = [
    ['from 10,000 on in thousands', { low: 0, high: 20_000, step: { as: 'by', amount: 5000 } }, ['0', '5 K', '10 K', '15 K', '20 K']],
    [
      'in millions, with one number of decimals',
      { low: 0, high: 2_000_000, step: { as: 'by', amount: 500_000 } },
      ['0', '0.5 M', '1.0 M', '1.5 M', '2.0 M'],
    ],
    ['on both sides of zero', { low: -20_000, high: 20_000, step: { as: 'by', amount: 20_000 } }, ['−20 K', '0', '20 K']],
    ['below that as they are', { low: 0, high: 8000, step: { as: 'by', amount: 4000 } }, ['0', '4,000', '8,000']],
  ];
  for (const [name, first, labels] of cases) it(name, () => expect(axisOf(planOf({ first }))?.tickLabels).toEqual(labels));
});

describe('the ends of an axis', () => {
  const ends: readonly [name: string, change: Change, at: number, expected: number[]][] = [
    ['a ceiling that the data does not reach', { first: { ceiling: 1020, headroom: { as: 'share', amount: 0.5 } } }, 0, [0, 1020]],
    ['headroom in data units', { first: { headroom: { as: 'value', amount: 90 } } }, 0, [0, 1100]],
    ['no headroom, as asked', { first: { headroom: { as: 'share', amount: 0 } } }, 0, [0, 1250]],
    ['steps of 300', { first: { step: { as: 'by', amount: 300 } } }, 0, [0, 1200]],
    // 100 makes eleven, 200 makes six.
    ['about ten steps', { first: { step: { as: 'count', amount: 10 } } }, 0, [0, 1100]],
    // Both are read at one scale: 30 of the second is 3 of the first.
    ['tied by ten: the first', { measures: [milk, balance], scales: { between: 'tied', tie: 10 } }, 0, [-250, 1250]],
    ['tied by ten: the second', { measures: [milk, balance], scales: { between: 'tied', tie: 10 } }, 1, [-2500, 12_500]],
    ['tied by a hundredth', { measures: [milk, balance], scales: { between: 'tied', tie: 0.01 } }, 1, [-10, 30]],
  ];
  for (const [name, change, at, expected] of ends) it(name, () => expect(endsOf(planOf(change), at)).toEqual(expected));

  it('zeros stand at one height whatever the bounds', () => {
    const plan = planOf({ measures: [milk, balance], second: { low: -40, high: 40 }, scales: { between: 'zeros' } });
    const zeros = [0, 1].map(at => positionOf(axisOf(plan, at)?.scale as never, 0));
    expect(zeros).toEqual([0.5, 0.5]);
    expect(plan.notes).toEqual([]);
  });
  it('zeros that cannot are said', () =>
    expect(planOf({ measures: [cells, balance], first: { scale: 'log' }, scales: { between: 'zeros' } }).notes).toContain(
      'the zeros of the two axes cannot stand at one height on these scales',
    ));
  const titles: readonly [name: string, change: Change, at: number, title: string, labels: string[]][] = [
    ['one axis needs none', {}, 0, '', ['0', '250', '500', '750', '1,000', '1,250']],
    ['its power is told', { first: { power: 2, step: { as: 'by', amount: 500 } } }, 0, '×10²', ['0', '5', '10', '15']],
    ['with its unit', { measures: [cells], first: { power: 6 } }, 0, '×10⁶ /mL', ['−1', '0', '1', '2', '3']],
    [
      'words by hand do not hide the power',
      { measures: [cells], first: { power: 6, title: 'Cells' } },
      0,
      'Cells (×10⁶ /mL)',
      ['−1', '0', '1', '2', '3'],
    ],
    ['nor say it twice', { first: { power: 1, title: 'Milk, ×10¹' } }, 0, 'Milk, ×10¹', ['0', '25', '50', '75', '100', '125']],
    [
      'words by hand may leave the unit out',
      { measures: [cells], first: { title: 'Cells' } },
      0,
      'Cells',
      ['−1 M', '0', '1 M', '2 M', '3 M'],
    ],
    ['words of the analyst’s own', { first: { title: 'Litres' } }, 0, 'Litres', ['0', '250', '500', '750', '1,000', '1,250']],
    ['of two, what is read there', { measures: [milk, balance], second: { power: 1 } }, 1, 'balance (×10¹)', ['−1', '0', '1', '2', '3']],
  ];
  for (const [name, change, at, title, labels] of titles)
    it(`titles: ${name}`, () => {
      const shown = axisOf(planOf(change), at);
      expect([shown?.title, shown?.tickLabels]).toEqual([title, labels]);
    });

  it('a tie is said', () =>
    expect(planOf({ measures: [milk, balance], scales: { between: 'tied', tie: 1000 } }).axisNote).toContain(
      'the second axis stands for 1,000 times the first',
    ));
  it('a reversed axis is said, and which way', () => {
    expect(planOf({ first: { reversed: true } }).axisNote).toContain('reversed: higher values stand lower');
    expect(planOf({ first: { reversed: true }, shape: { mark: 'bar' } }).axisNote).toContain('reversed: higher values stand further left');
  });
});

describe('a broken axis', () => {
  it('says what it leaves out, and numbers both stretches', () => {
    const plan = planOf({ first: { breaks: [{ from: 100, to: 1000 }] } });
    expect(plan.axisNote).toBe('milk by hut · axis broken between 100 and 1,000');
    expect(axisOf(plan)?.tickLabels).toEqual(['0', '20', '40', '60', '80', '100', '1,000', '1,020']);
  });
  it('is whole where parts are stacked to 100 %', () =>
    expect(
      axisOf(planOf({ measures: [milk, balance], first: { breaks: [{ from: 0.2, to: 0.4 }] }, shape: { arrange: 'full' } }))?.scale.kind,
    ).toBe('linear'));
});
