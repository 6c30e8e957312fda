import { layouts, type Chart, type Plugin } from 'chart.js';
import type { LegendEntry, Plan } from 'core/plan';
import { fitted, wrapped } from './shortened';

// Sizes in CSS pixels; the title is the first thing read, the axis note the last.
const TITLE = { size: 19, weight: 650, line: 25, most: 2 };
const SUBTITLE = { size: 13, weight: 400, line: 19, most: 3 };
const NOTE = { size: 12, weight: 400, line: 18 };
const GAP_ABOVE_NOTE = 8;
const GAP_BELOW = 14;
const SWATCH = 10;
const SMALLEST = 12;
// Below this width the head shrinks with the figure, down to three quarters.
const FULL_WIDTH = 640;

/** Title, line below it, legend and axis note: a box that Chart.js lays out above the plot. */
export const figureHead = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'figureHead',
  start: chart => layouts.addBox(chart, new HeadBox(chart, planNow)),
});

class HeadBox {
  readonly position = 'top';
  readonly weight = 2000;
  readonly fullSize = true;
  readonly options = {};
  left = 0;
  top = 0;
  right = 0;
  bottom = 0;
  width = 0;
  height = 0;
  private title: string[] = [];
  private subtitle: string[] = [];

  constructor(
    private readonly chart: Chart,
    private readonly planNow: () => Plan,
  ) {}

  private get plan(): Plan {
    return this.planNow();
  }

  isHorizontal(): boolean {
    return true;
  }

  update(width: number): void {
    const { ctx } = this.chart;
    this.width = width;
    const measure = (text: string): number => ctx.measureText(text).width;
    ctx.save();
    ctx.font = this.font(TITLE);
    this.title = wrapped(this.plan.title, width, TITLE.most, measure);
    ctx.font = this.font(SUBTITLE);
    this.subtitle = wrapped(this.plan.subtitle, width, SUBTITLE.most, measure);
    ctx.restore();
    this.height =
      (this.title.length * TITLE.line + this.subtitle.length * SUBTITLE.line) * this.share + GAP_ABOVE_NOTE + NOTE.line + GAP_BELOW;
  }

  draw(): void {
    const { ctx } = this.chart;
    ctx.save();
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    const { livery } = this.plan;
    const afterTitle = this.lines(this.title, TITLE, livery.ink, this.top);
    const afterSubtitle = this.lines(this.subtitle, SUBTITLE, livery.soft, afterTitle);
    this.drawNote(afterSubtitle + GAP_ABOVE_NOTE + NOTE.line / 2);
    ctx.restore();
  }

  private get share(): number {
    return Math.max(0.75, Math.min(1, this.width / FULL_WIDTH));
  }

  private font({ size, weight }: { size: number; weight: number }): string {
    return `${weight} ${Math.max(SMALLEST, Math.round(size * this.share))}px ${this.plan.livery.font}`;
  }

  private lines(lines: readonly string[], style: typeof TITLE, colour: string, top: number): number {
    const { ctx } = this.chart;
    ctx.font = this.font(style);
    ctx.fillStyle = colour;
    const step = style.line * this.share;
    lines.forEach((line, i) => ctx.fillText(line, this.left, top + step * (i + 0.5)));
    return top + step * lines.length;
  }

  private drawNote(middle: number): void {
    const { ctx } = this.chart;
    ctx.font = this.font(NOTE);
    const measure = (text: string): number => ctx.measureText(text).width;
    let left = this.left;
    for (const entry of this.plan.legend) left = this.drawEntry(entry, left, middle, measure);
    const note = fitted(this.plan.axisNote, this.left + this.width - left, measure);
    ctx.fillStyle = this.plan.livery.soft;
    ctx.fillText(note, left, middle);
  }

  private drawEntry({ text, colour, shape }: LegendEntry, left: number, middle: number, measure: (text: string) => number): number {
    const { ctx } = this.chart;
    const width = drawKey(ctx, shape, colour, left, middle - 1);
    ctx.fillStyle = this.plan.livery.ink;
    ctx.fillText(text, left + width + 6, middle);
    return left + width + 6 + measure(text) + 16;
  }
}

/** A legend's key looks like what it explains: a bar, a line, an area, a point. Gives its width. */
function drawKey(ctx: CanvasRenderingContext2D, shape: LegendEntry['shape'], colour: string, left: number, middle: number): number {
  ctx.fillStyle = colour;
  switch (shape) {
    case 'column':
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH, SWATCH);
      return SWATCH;
    case 'points':
      ctx.beginPath();
      ctx.arc(left + SWATCH / 2, middle, SWATCH / 2 - 0.5, 0, 2 * Math.PI);
      ctx.fill();
      return SWATCH;
    case 'line':
      ctx.fillRect(left, middle - 1, SWATCH * 1.8, 2);
      return SWATCH * 1.8;
    case 'area':
      ctx.fillStyle = `${colour}3d`;
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH * 1.4, SWATCH);
      ctx.fillStyle = colour;
      ctx.fillRect(left, middle - SWATCH / 2, SWATCH * 1.4, 2);
      return SWATCH * 1.4;
  }
}
