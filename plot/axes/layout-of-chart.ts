import type { Chart } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import type { AxisEnds, PlotLayout } from '../scene/layout';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import type { CategoryNames } from './category-names';
import type { FigureFoot } from '../scene/head/figure-foot';
import type { FigureHead } from '../scene/head/figure-head';
import type { SideLegend } from '../scene/legend/side-legend';
import type { WordPlace } from './word-box';

/** What has fitted its words into the layout. */
export interface Fitted {
  readonly head: WordPlace<FigureHead>;
  readonly foot: WordPlace<FigureFoot>;
  readonly side: WordPlace<SideLegend>;
  readonly names: CategoryNames;
}

/** Where Chart.js has laid out the axes of a plan. */
export function layoutOfChart(chart: Chart, plan: ChartPlan, { head, foot, side, names }: Fitted): PlotLayout {
  const { left, top, width, height } = chart.chartArea;
  return {
    width: chart.width,
    height: chart.height,
    area: { left, top, width, height },
    ...categoriesOf(chart),
    names:
      plan.panels.length === 0
        ? null
        : plan.horizontal
          ? names.within(chart.ctx, height, chart.width)
          : names.within(chart.ctx, width, chart.height),
    axes: plan.panels.map(({ axes }, panel) => axes.map((_, axis) => endsOf(chart, panel, axis))),
    strips: plan.panels.map((_, panel) => {
      const strip = chart.scales[stripId(panel)];
      return strip ? (strip.top + strip.bottom) / 2 : null;
    }),
    head: head.words && { words: head.words, left: head.left, top: head.top },
    foot: foot.words && { words: foot.words, left: foot.left, top: foot.top },
    side: side.words?.entries.length ? { words: side.words, left: side.left, top } : null,
  };
}

function categoriesOf({ scales }: Chart): Pick<PlotLayout, 'first' | 'perCategory'> {
  const axis = scales[CATEGORY_AXIS];
  const first = axis?.getPixelForValue(0) ?? 0;
  return { first, perCategory: (axis?.getPixelForValue(1) ?? 0) - first };
}

/** An axis runs from position 0 to 1 of its scale. */
function endsOf({ scales }: Chart, panel: number, axis: number): AxisEnds {
  const drawn = scales[valueAxisId(panel, axis)];
  return { from: drawn?.getPixelForValue(0) ?? NaN, to: drawn?.getPixelForValue(1) ?? NaN };
}
