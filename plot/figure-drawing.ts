import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartOptions,
  type Plugin,
} from 'chart.js';
import type { Layer, Plan } from 'core/plan';
import { barLabels } from './bar-labels';
import { barPainter, type PlacedBar } from './bar-painter';
import { CATEGORY_AXIS, datasetsOf, optionsOf, valueAxisId, type AnyDataset } from './chart-config';
import { figureHead } from './figure-head';
import { panelTitles } from './panel-titles';
import { pointedRow } from './pointed-row';

Chart.register(BarController, BarElement, CategoryScale, Filler, LinearScale, LineController, LineElement, PointElement);

/** A point of the canvas in CSS pixels. */
export interface CanvasPoint {
  readonly x: number;
  readonly y: number;
}

type AnyChart = Chart<'bar' | 'line', number[], string>;

/** A plan drawn on a canvas, kept in step with the plans that follow. */
export class FigureDrawing {
  private readonly chart: AnyChart;
  private row: number | null = null;

  /** @param fixed options that a drawing outside the page needs, such as its pixel ratio */
  constructor(
    canvas: HTMLCanvasElement,
    private plan: Plan,
    private readonly fixed: ChartOptions<'bar'> = {},
  ) {
    const planNow = (): Plan => this.plan;
    this.chart = new Chart(canvas, {
      type: 'bar',
      data: { labels: [...plan.categories], datasets: datasetsOf(plan) },
      options: { ...optionsOf(plan), ...this.fixed } as never,
      // Plugins of this drawing alone: they read the plan as it is, not through Chart.js' option proxies.
      plugins: [
        ground(planNow),
        figureHead(planNow),
        barPainter(planNow),
        panelTitles(planNow),
        barLabels(planNow),
        pointedRow(planNow, () => this.row),
      ] as never,
    });
  }

  /** Draws another plan. Cost: one update of Chart.js. */
  show(plan: Plan): void {
    const before = this.plan;
    this.plan = plan;
    const { data } = this.chart;
    data.labels = [...plan.categories];
    const fresh = datasetsOf(plan);
    const alike = sameShapes(before.layers, plan.layers);
    // Keeping the dataset objects lets Chart.js reuse its marks.
    data.datasets = alike ? fresh.map((dataset, i): AnyDataset => Object.assign(data.datasets[i] ?? {}, dataset)) : fresh;
    this.chart.options = { ...optionsOf(plan), ...this.fixed };
    this.chart.update('none');
  }

  /** Outlines a row of the frame, or none; redraws only when that changes something. */
  pointAt(row: number | null): void {
    if (this.row === row) return;
    this.row = row;
    this.chart.draw();
  }

  /** The frame's row whose mark is nearest to a point within its slot on the category axis, or null outside the plot. */
  rowAt(point: CanvasPoint): number | null {
    const { left, right, top, bottom } = this.chart.chartArea;
    const { lying, categories, layers } = this.plan;
    if (point.x < left || point.x > right || point.y < top || point.y > bottom || categories.length === 0) return null;
    const at = this.chart.scales[CATEGORY_AXIS]?.getValueForPixel(lying ? point.y : point.x);
    if (at === undefined || at < 0 || at >= categories.length) return null;
    let [best, nearest] = [-1, Infinity];
    layers.forEach((layer, i) => {
      const distance = this.distanceTo(layer, i, at, point);
      if (distance < nearest) [best, nearest] = [layer.rows[at] as number, distance];
    });
    return best === -1 ? null : best;
  }

  private distanceTo(layer: Layer, i: number, at: number, { x, y }: CanvasPoint): number {
    const mark = this.chart.getDatasetMeta(i).data[at] as unknown as PlacedBar | undefined;
    const axis = this.chart.scales[valueAxisId(layer.panel)];
    if (!mark || !axis || layer.rows[at] === -1) return Infinity;
    const [along, value, low, high] = this.plan.lying ? [y, x, axis.left, axis.right] : [x, y, axis.top, axis.bottom];
    if (value < low || value > high) return Infinity;
    const [markAlong, markValue] = this.plan.lying ? [mark.y, mark.x] : [mark.x, mark.y];
    const inside = layer.shape === 'column' && (value - markValue) * (value - mark.base) <= 0;
    return Math.abs(along - markAlong) + (inside || Number.isNaN(markValue) ? 0 : Math.abs(value - markValue) * 0.5);
  }

  /** Where to hang the words of a row: the end of its mark, or of its slot when its value is missing. */
  anchorOf(row: number): CanvasPoint | null {
    for (const [i, layer] of this.plan.layers.entries()) {
      const at = layer.rows.indexOf(row);
      const mark = at === -1 ? undefined : (this.chart.getDatasetMeta(i).data[at] as { x: number; y: number } | undefined);
      if (!mark) continue;
      const { top, bottom, left } = this.chart.chartArea;
      return { x: Number.isNaN(mark.x) ? left : mark.x, y: Number.isNaN(mark.y) ? (top + bottom) / 2 : mark.y };
    }
    return null;
  }

  destroy(): void {
    this.chart.destroy();
  }
}

const sameShapes = (a: readonly Layer[], b: readonly Layer[]): boolean =>
  a.length === b.length && a.every((layer, i) => layer.shape === b[i]?.shape && layer.panel === b[i].panel);

const ground = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'ground',
  beforeDraw({ ctx, width, height }) {
    ctx.save();
    ctx.fillStyle = planNow().livery.ground;
    ctx.fillRect(0, 0, width, height);
    ctx.restore();
  },
});
