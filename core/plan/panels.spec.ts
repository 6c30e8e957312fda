import { firstFigure } from 'core/brief';
import { plainScales, type Figure } from 'core/document';
import { plainMeasure } from 'core/frame';
import { messageFor } from 'core/result/words';
import { tableOf } from 'core/table';
import { pictureOf, type ChartPlan } from './index';
import { livery, writing } from './plan-frames.spec';

const NAMES = ['A', 'B', 'C', 'D', 'E', 'F'] as const;
// The larger value of each panel; the smaller one is half of it.
const MOST = { A: 10, B: 20, C: 300, D: 4000, E: 50, F: 60 } as const;

const table = tableOf({
  week: NAMES.flatMap(() => ['1', '2']),
  hut: NAMES.flatMap(name => [name, name]),
  milk: NAMES.flatMap(name => [MOST[name], MOST[name] / 2]),
});

/** Six panels, three beside each other: A B C above D E F, as they come. */
function panelled(scales: Partial<Figure['scales']>, shape: Partial<Figure['shape']> = {}): ChartPlan {
  const first = firstFigure('f', { id: 'd', name: 'd', rowCount: 12, units: {}, columns: table.columns }, 'week');
  const figure: Figure = {
    ...first,
    data: { ...first.data, category: 'week', panel: 'hut', measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' } },
    shape: { ...first.shape, mark: 'column', columns: 3, ...shape },
    scales: { ...plainScales, ...scales },
    cues: [],
  };
  const read = pictureOf({ figure, table, writing, livery });
  if (!read.ok) throw new Error(read.problems.map(messageFor).join());
  return read.value.plans[0] as ChartPlan;
}

const titles = ({ panels }: ChartPlan): string[] => panels.flatMap(({ title, isBlank }) => (isBlank ? [] : [title]));
const high = ({ panels }: ChartPlan, at: number): number => panels[at]?.axes[0]?.scale.high ?? NaN;

describe('value axes of panels', () => {
  // The panel whose largest value each panel's axis has to hold, and no more than twice.
  const cases: readonly [held: Figure['scales']['panels'], columns: number | null, by: readonly (keyof typeof MOST)[]][] = [
    ['matched', 3, ['D', 'D', 'D', 'D', 'D', 'D']],
    ['rows', 3, ['C', 'C', 'C', 'D', 'D', 'D']],
    ['columns', 3, ['D', 'E', 'C', 'D', 'E', 'C']],
    ['free', 3, ['A', 'B', 'C', 'D', 'E', 'F']],
    // A B above C D above E F.
    ['rows', 2, ['B', 'B', 'D', 'D', 'F', 'F']],
    ['columns', 2, ['C', 'D', 'C', 'D', 'C', 'D']],
    // As many as make a square grid: three.
    ['rows', null, ['C', 'C', 'C', 'D', 'D', 'D']],
  ];
  for (const [held, columns, by] of cases)
    it(`${held}, ${columns ?? 'fitting'} beside each other: held by ${by.join(' ')}`, () => {
      const plan = panelled({ panels: held }, { columns });
      by.forEach((name, at) => {
        expect(high(plan, at)).withContext(`${NAMES[at]}`).toBeGreaterThanOrEqual(MOST[name]);
        expect(high(plan, at))
          .withContext(`${NAMES[at]}`)
          .toBeLessThan(2 * MOST[name]);
        expect(high(plan, at)).toBe(high(plan, by.indexOf(name)));
      });
    });
});

describe('the order of panels', () => {
  const cases: readonly [name: string, order: Figure['shape']['panelOrder'], says: string][] = [
    ['as they come', { by: 'table', descending: false, keys: [] }, 'ABCDEF'],
    ['by their names, falling', { by: 'name', descending: true, keys: [] }, 'FEDCBA'],
    ['by size, largest first', { by: 'size', descending: true, keys: [] }, 'DCFEBA'],
    ['by size, smallest first', { by: 'size', descending: false, keys: [] }, 'ABEFCD'],
    ['by hand, the others behind as they come', { by: 'hand', descending: false, keys: ['C', 'A'] }, 'CABDEF'],
    ['by hand, with one that is gone', { by: 'hand', descending: false, keys: ['X', 'F', null] }, 'FABCDE'],
  ];
  for (const [name, panelOrder, says] of cases) it(name, () => expect(titles(panelled({}, { panelOrder })).join('')).toBe(says));

  it('moves rows of shared scales along: what stands beside each other shares', () => {
    const plan = panelled({ panels: 'rows' }, { panelOrder: { by: 'size', descending: true, keys: [] } });
    // D C F above E B A.
    expect([0, 1, 2].map(at => high(plan, at) >= 4000)).toEqual([true, true, true]);
    expect([3, 4, 5].map(at => high(plan, at) >= 50 && high(plan, at) < 100)).toEqual([true, true, true]);
  });
});
