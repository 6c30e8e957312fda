import { CategoryScale, Chart, LinearScale, type ChartOptions, type Plugin } from 'chart.js';
import type { Layer, Plan } from 'core/plan';
import { axisTitles } from './axis-titles';
import { bandPainter } from './band-painter';
import { barLabels } from './bar-labels';
import { isCounted, optionsOf } from './chart-config';
import { figureHead } from './figure-head';
import { Geometry, isBar, type CanvasPoint } from './geometry';
import { glyphPainter } from './glyph-painter';
import { levelLines } from './level-lines';
import { handleAt, roundedValueAt, type LineHandle } from './line-handles';
import { markPainter } from './mark-painter';
import { pointedRow } from './pointed-row';

Chart.register(CategoryScale, LinearScale);

export type { CanvasPoint };

/** A plan drawn on a canvas, kept in step with the plans that follow. */
export class FigureDrawing {
  private readonly chart: Chart;
  private row: number | null = null;

  /** @param fixed options that a drawing outside the page needs, such as its pixel ratio */
  constructor(
    canvas: HTMLCanvasElement,
    private plan: Plan,
    private readonly fixed: ChartOptions<'bar'> = {},
  ) {
    const planNow = (): Plan => this.plan;
    this.chart = new Chart(canvas, {
      type: 'line',
      data: { labels: labelsOf(plan), datasets: [] },
      options: { ...optionsOf(plan), ...this.fixed } as never,
      // Plugins of this drawing alone: they read the plan as it is, not through Chart.js' option proxies.
      plugins: [
        ground(planNow),
        figureHead(planNow),
        bandPainter(planNow),
        markPainter(planNow),
        axisTitles(planNow),
        levelLines(planNow),
        glyphPainter(planNow),
        barLabels(planNow),
        pointedRow(planNow, () => this.row),
      ] as never,
    });
  }

  /** Draws another plan. Cost: one update of Chart.js. */
  show(plan: Plan): void {
    this.plan = plan;
    this.chart.data.labels = labelsOf(plan);
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
    const { lying, categories, layers } = this.plan;
    if (!this.isInPlot(point) || categories.length === 0) return null;
    const { geometry } = this;
    const at = Math.round(((lying ? point.y : point.x) - geometry.along(0)) / (geometry.along(1) - geometry.along(0)));
    if (at < 0 || at >= categories.length) return null;
    let [best, nearest] = [-1, Infinity];
    for (const layer of layers) {
      const distance = this.distanceTo(layer, at, point);
      if (distance < nearest) [best, nearest] = [layer.rows[at] as number, distance];
    }
    return best === -1 ? null : best;
  }

  private isInPlot({ x, y }: CanvasPoint): boolean {
    const { left, right, top, bottom } = this.chart.chartArea;
    return x >= left && x <= right && y >= top && y <= bottom;
  }

  private distanceTo(layer: Layer, at: number, { x, y }: CanvasPoint): number {
    const { geometry } = this;
    if (layer.rows[at] === -1) return Infinity;
    const [along, value] = this.plan.lying ? [y, x] : [x, y];
    const [low, high] = geometry.reach(layer.panel);
    if (value < low || value > high) return Infinity;
    const end = geometry.end(layer, at);
    const [markAlong, markValue] = this.plan.lying ? [end.y, end.x] : [end.x, end.y];
    const base = geometry.value(layer.panel, layer.axis, layer.bases ? (layer.bases[at] as number) : 0);
    const inside = isBar(layer) && (value - markValue) * (value - base) <= 0;
    return Math.abs(along - markAlong) + (inside || Number.isNaN(markValue) ? 0 : Math.abs(value - markValue) * 0.5);
  }

  /** Where to hang the words of a row: the end of its mark, or of its slot when its value is missing. */
  anchorOf(row: number): CanvasPoint | null {
    const { geometry } = this;
    for (const layer of this.plan.layers) {
      const at = layer.rows.indexOf(row);
      if (at === -1) continue;
      const { x, y } = geometry.end(layer, at);
      const { top, bottom, left } = this.chart.chartArea;
      return { x: Number.isNaN(x) ? left : x, y: Number.isNaN(y) ? (top + bottom) / 2 : y };
    }
    return null;
  }

  /** The line or band edge under a point that dragging would move, or null. */
  handleAt(point: CanvasPoint): LineHandle | null {
    return this.isInPlot(point) ? handleAt(this.plan, this.geometry, point) : null;
  }

  /** The value at a point of a handle's axis. */
  valueAt(handle: LineHandle, point: CanvasPoint): number {
    return roundedValueAt(this.plan, this.geometry, handle, point);
  }

  destroy(): void {
    this.chart.destroy();
  }

  private get geometry(): Geometry {
    return new Geometry(this.chart, this.plan);
  }
}

/** A counting axis needs no list of names. */
const labelsOf = (plan: Plan): string[] => (isCounted(plan) ? [] : [...plan.categories]);

const ground = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'ground',
  beforeDraw({ ctx, width, height }) {
    ctx.save();
    ctx.fillStyle = planNow().livery.ground;
    ctx.fillRect(0, 0, width, height);
    ctx.restore();
  },
});
