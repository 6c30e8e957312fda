import { firstFigure } from 'core/brief';
import { plainCrosstab, type Figure } from 'core/document';
import { cueFactsOf, cueKinds, type Cue } from 'core/cue';
import { LIGHT_LIVERY, pictureOf, type Plan, type TablePlan } from 'core/plan';
import { tableOf } from 'core/table';
import { receivedPlan, sentPlan } from './sent-plans';

const table = tableOf({ hut: ['A', 'B', 'A', 'B'], week: ['1', '1', '2', '2'], milk: [10, 20, 30, null] }, 't');
const facts = { id: 't', name: 't', rowCount: 4, units: {}, columns: table.columns };
const cue = (which: 'highest' | 'lowest'): Cue => ({
  ...cueKinds.extremes.create('c', cueFactsOf({ category: 'hut', measures: ['milk'] })),
  which,
});

function planOf(change: Partial<Figure> = {}): Plan {
  const first = firstFigure('f', facts, 'hut');
  const data = { ...first.data, series: 'week' };
  const figure = { ...first, data, shape: { ...first.shape, mark: 'crosstab' as const }, crosstab: plainCrosstab, ...change };
  const made = pictureOf({ figure, table, writing: { units: {}, formats: [], looks: [] }, livery: LIGHT_LIVERY });
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value.plans[0] as Plan;
}

/** What comes out on the other side of a message. */
const across = (plan: Plan, known?: Plan): Plan => receivedPlan(structuredClone(sentPlan(plan, known)), known && structuredClone(known));

describe('plans on their way to the page', () => {
  const first = planOf({ cues: [cue('highest')] }) as TablePlan;
  const otherwise = { ...first, cells: { ...first.cells, texts: first.cells.texts.map(text => `${text}!`) } };
  const cases: readonly [name: string, plan: Plan, known: Plan | undefined][] = [
    ['the first of a figure', first, undefined],
    ['after one with other colours', planOf({ cues: [cue('lowest')] }), first],
    ['after one with other texts', otherwise, first],
    ['after one of another size', planOf({ crosstab: { ...plainCrosstab, totals: { ...plainCrosstab.totals, rows: 'none' } } }), first],
    ['after a chart', first, planOf({ shape: firstFigure('f', facts, 'hut').shape })],
    ['a chart after a table', planOf({ shape: firstFigure('f', facts, 'hut').shape }), first],
  ];
  for (const [name, plan, known] of cases) it(`${name} arrive as they were`, () => expect(across(plan, known)).toEqual(plan));

  it('leave out what the page has: what says the same stays the same object there', () => {
    const bare = {
      ...planOf({ cues: [cue('highest')] }),
      cells: { ...first.cells, grounds: first.cells.grounds.map(() => '') },
    } as TablePlan;
    const sent = sentPlan(bare, first) as { own: object; cells: object };
    expect([Object.keys(sent.own), Object.keys(sent.cells)]).toEqual([[], []]);
    const there = across(first) as TablePlan;
    const now = receivedPlan(structuredClone(sentPlan(bare, first)), there) as TablePlan;
    for (const name of ['heads', 'rows', 'columns', 'livery', 'legend'] as const) expect(now[name]).toBe(there[name] as never);
    expect([now.cells.texts === there.cells.texts, now.cells.labels === there.cells.labels]).toEqual([true, true]);
    expect(new Set(now.cells.grounds)).toEqual(new Set(['']));
  });
});
