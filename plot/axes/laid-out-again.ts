import { layouts, type Chart } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import { BareAxis } from './bare-axis';
import { axesOptions, paddingFor, type AxisWords } from './chart-config';

/**
 * Lays out the axes of another plan where a chart has the same ones already; false where it has not. Of an update of Chart.js it leaves out what is for its own
 * data sets, options and animations, of which there are none. Cost: one layout.
 */
export function laidOutAgain(chart: Chart, plan: ChartPlan, words: AxisWords): boolean {
  const wanted = Object.entries(axesOptions(plan, words));
  const { layout } = chart.options;
  if (!layout || wanted.length !== Object.keys(chart.scales).length || !wanted.every(([id]) => chart.scales[id] instanceof BareAxis))
    return false;
  // What it answers is kept until it is set anew.
  layout.padding = paddingFor(plan, words.widths);
  for (const [id, own] of wanted) {
    const axis = chart.scales[id] as BareAxis;
    axis.take(own);
    layouts.configure(chart, axis, own);
  }
  layouts.update(chart, chart.width, chart.height);
  for (const axis of Object.values(chart.scales)) axis.configure();
  return true;
}
