import { layouts, type Chart } from 'chart.js';
import { BareAxis } from './bare-axis';
import type { FigureOptions } from './chart-config';

/**
 * Lays out the axes of another plan where a chart has the same ones already; false where it has not. Of an update of Chart.js it leaves out what is for its own
 * data sets, options and animations, of which there are none. Cost: one layout.
 */
export function laidOutAgain(chart: Chart, { scales, layout: { padding } }: FigureOptions): boolean {
  const wanted = Object.entries(scales);
  const { layout } = chart.options;
  if (!layout || wanted.length !== Object.keys(chart.scales).length || !wanted.every(([id]) => chart.scales[id] instanceof BareAxis))
    return false;
  // What it answers is kept until it is set anew.
  layout.padding = padding;
  for (const [id, own] of wanted) {
    const axis = chart.scales[id] as BareAxis;
    axis.take(own);
    layouts.configure(chart, axis, own);
  }
  layouts.update(chart, chart.width, chart.height);
  for (const axis of Object.values(chart.scales)) axis.configure();
  return true;
}
