import { plainMeasure, type Helper } from 'core/frame';
import { firstFigure } from 'core/brief';
import { plainScales, withAxis, type Figure } from 'core/document';
import { positionsOf } from 'core/scale';
import { columnOf, tableOf, type Table } from 'core/table';
import { BARE_LIVERY, ledgerTable, pictureOf, type ChartPlan, type Picture } from '../index';

const table = tableOf({ hut: ['A', 'B', 'C', 'D', 'E'], milk: [20, 90, NaN, 1010, -5], 'milk as drawn': [1, 2, 3, 4, 5] });
const BREAK = { from: 100, to: 950 };

function pictured(change: Partial<Figure['data']> = {}, breaks = [BREAK]): Picture {
  const made = firstFigure('f', { id: 'd', name: 'd', rowCount: 5, units: {}, columns: table.columns }, 'hut');
  const data = { ...made.data, category: 'hut', measures: [plainMeasure('milk', 'sum(milk)')], order: { by: 'table' as const }, ...change };
  const figure: Figure = {
    ...made,
    data,
    shape: { ...made.shape, mark: 'column' },
    scales: withAxis(plainScales, 'first', { breaks }),
    cues: [],
  };
  const read = pictureOf({ figure, table, writing: { units: {}, formats: [] }, livery: BARE_LIVERY });
  if (!read.ok) throw new Error('the figure cannot be drawn');
  return read.value;
}

const numbers = (from: Table, name: string): number[] => [...((columnOf(from, name)?.data ?? []) as Float64Array)];

describe('what a broken axis draws', () => {
  const [drawn] = pictured().drawn;

  it('is percent of the axis, as the marks stand; missing stays missing', () => {
    const picture = pictured();
    const scale = (picture.plans[0] as ChartPlan).panels[0]?.axes[0]?.scale;
    const positions = positionsOf(scale!, Float64Array.from(numbers(picture.frame.table, 'milk')));
    numbers({ ...table, columns: [drawn!.column] }, drawn!.name).forEach((value, row) => {
      if (Number.isNaN(positions[row])) expect(value).toBeNaN();
      else expect(value).toBeCloseTo((positions[row] as number) * 100, 9);
    });
  });

  it('is what its formula gives, to the last digit', () => {
    const helper: Helper = { name: 'again', formula: drawn!.formula, scope: { kind: 'own' }, shape: null, axis: 'first', format: null };
    const { frame } = pictured({ helpers: [helper] });
    expect(numbers(frame.table, 'again')).toEqual([...(drawn!.column.data as Float64Array)]);
  });

  it('stands in the ledger that is handed over, under a name of its own', () => {
    const names = ledgerTable(pictured()).columns.map(({ name }) => name);
    expect(names).toContain('milk as drawn');
    expect(drawn?.formula).toMatch(/^case when milk <= 100 then .* when milk <= 950 then .* else .* end$/);
  });

  it('is not there where no axis is broken', () => {
    expect(pictured({}, []).drawn).toEqual([]);
    expect(ledgerTable(pictured({}, [])).columns.map(({ name }) => name)).not.toContain('milk as drawn');
  });
});
