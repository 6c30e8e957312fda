import { firstFigure } from 'core/brief';
import { plainCrosstab, type CrosstabChoice } from 'core/document';
import { plainMeasure } from 'core/frame';
import { pictureOf, type TablePlan } from 'core/plan';
import { tableOf } from 'core/table';
import { livery } from '../scene/sample-plan.spec';
import { tableLayout } from './table-layout';
import { tableScene } from './table-scene';

const LONG = 'the northern communal dairy of the upper meadows';
const table = tableOf({ hut: ['A', LONG], milk: [10, 20] });
/** Every letter ten pixels wide. */
const measure = (text: string): number => 10 * text.length;

function planWith(crosstab: Partial<CrosstabChoice>): TablePlan {
  const first = firstFigure('f', { id: 't', name: 't', rowCount: 2, units: {}, columns: table.columns }, 'hut');
  const figure = {
    ...first,
    data: { ...first.data, measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' as const } },
    shape: { ...first.shape, mark: 'crosstab' as const },
    cues: [],
    crosstab: { ...plainCrosstab, ...crosstab },
  };
  const made = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery });
  if (!made.ok) throw new Error('the table cannot be drawn');
  return made.value.plans[0] as TablePlan;
}

const namesIn = (plan: TablePlan): string[] =>
  tableScene(plan, { width: 600, height: null }, measure)
    .groups.flatMap(({ items }) => items)
    .flatMap(item => (item.kind === 'text' && item.role === 'category' && item.align === 'left' ? [item.text] : []));

describe('columns of a table', () => {
  it('are as wide as their content, names at most 240 pixels and then cut', () => {
    const layout = tableLayout(planWith({}), measure);
    expect(layout.levels).toEqual([241]);
    expect(layout.cut).toEqual({ levels: [true], columns: [false] });
    // The head, "milk", four letters and the room at both sides; never below the narrowest.
    expect(layout.columns).toEqual([59]);
    expect(layout.nameLines).toBe(1);
  });

  it('that are set by hand cut what is wider', () => {
    const layout = tableLayout(planWith({ widths: [{ measure: 'milk', width: 30 }] }), measure);
    expect(layout.columns).toEqual([30]);
    expect(layout.cut.columns).toEqual([true]);
  });
});

describe('long names of rows', () => {
  it('are cut off with an ellipsis', () => {
    // 22 letters have room, the ellipsis among them.
    expect(namesIn(planWith({}))).toContain('the northern communal…');
  });

  it('take two lines where they are wrapped, all rows alike, and what is longer still is cut', () => {
    const plan = planWith({ names: 'wrapped' });
    const layout = tableLayout(plan, measure);
    expect(layout.nameLines).toBe(2);
    // Letters of 13 pixels: two of them high, and a line of 1.25 more.
    expect(layout.rowHeight).toBe(42);
    const names = namesIn(plan);
    expect(names).toContain('the northern communal');
    expect(names).toContain('dairy of the upper me…');
  });

  it('change nothing where no name is cut', () => {
    const layout = tableLayout(planWith({ names: 'wrapped' }), text => text.length);
    expect(layout.nameLines).toBe(1);
    expect(layout.rowHeight).toBe(26);
  });
});
