import { BarController, BarElement, CategoryScale, Chart, LinearScale, type ChartDataset, type ChartOptions, type Plugin } from 'chart.js';
import type { Plan } from 'core/plan';
import { barLabels } from './bar-labels';
import { barPainter } from './bar-painter';
import { datasetsOf, optionsOf } from './chart-config';
import { figureHead } from './figure-head';
import { pointedRow } from './pointed-row';

Chart.register(BarController, BarElement, CategoryScale, LinearScale);

/** A point of the canvas in CSS pixels. */
export interface CanvasPoint {
  readonly x: number;
  readonly y: number;
}

/** A plan drawn on a canvas, kept in step with the plans that follow. */
export class FigureDrawing {
  private readonly chart: Chart<'bar', number[], string>;
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
      options: { ...optionsOf(plan), ...this.fixed },
      // Plugins of this drawing alone: they read the plan as it is, not through Chart.js' option proxies.
      plugins: [ground(planNow), figureHead(planNow), barPainter(planNow), barLabels(planNow), pointedRow(planNow, () => this.row)],
    });
  }

  /** Draws another plan. Cost: one update of Chart.js. */
  show(plan: Plan): void {
    this.plan = plan;
    const { data } = this.chart;
    data.labels = [...plan.categories];
    const fresh = datasetsOf(plan);
    // Keeping the dataset objects lets Chart.js reuse its bars.
    data.datasets = fresh.map((dataset, i): ChartDataset<'bar', number[]> => Object.assign(data.datasets[i] ?? {}, dataset));
    this.chart.options = { ...optionsOf(plan), ...this.fixed };
    this.chart.update('none');
  }

  /** Outlines a row of the frame, or none; redraws only when that changes something. */
  pointAt(row: number | null): void {
    if (this.row === row) return;
    this.row = row;
    this.chart.draw();
  }

  /** The row whose slot on the category axis holds a point, or null outside the plot. */
  rowAt({ x, y }: CanvasPoint): number | null {
    const { left, right, top, bottom } = this.chart.chartArea;
    const { lying, categories } = this.plan;
    if (x < left || x > right || y < top || y > bottom || categories.length === 0) return null;
    const row = this.chart.scales[lying ? 'y' : 'x']?.getValueForPixel(lying ? y : x);
    return row === undefined || row < 0 || row >= categories.length ? null : row;
  }

  /** Where to hang the words of a row: the end of its bar, or of its slot when its value is missing. */
  anchorOf(row: number): CanvasPoint | null {
    const bar = this.chart.getDatasetMeta(0).data[row] as { x: number; y: number } | undefined;
    if (!bar) return null;
    const { top, bottom, left } = this.chart.chartArea;
    return { x: Number.isNaN(bar.x) ? left : bar.x, y: Number.isNaN(bar.y) ? (top + bottom) / 2 : bar.y };
  }

  destroy(): void {
    this.chart.destroy();
  }
}

const ground = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'ground',
  beforeDraw({ ctx, width, height }) {
    ctx.save();
    ctx.fillStyle = planNow().livery.ground;
    ctx.fillRect(0, 0, width, height);
    ctx.restore();
  },
});
