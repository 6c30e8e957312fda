import type { ChartPlan } from '../plan';
import type { TablePlan } from '../table/table-plan';

/** The words of a table in the form that charts have, without panels, so that checks can read any figure. */
export const withoutAxes = (plan: TablePlan): ChartPlan => ({
  ...plan,
  kind: 'chart',
  legendAt: 'top',
  categories: [],
  along: { places: null, counted: null, ordered: false, names: 'fitting', beside: 'axis', marked: [] },
  panels: [],
  panelColumns: null,
  gridlines: false,
  zeroLine: 'none',
  horizontal: false,
  outside: [],
});
