import type { ChartPlan } from '../plan';
import type { TablePlan } from '../table/table-plan';

/** A table's words as those of a chart without panels: so that checks speak of any figure. */
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
