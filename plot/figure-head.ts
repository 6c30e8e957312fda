import { layouts, type Chart, type Plugin } from 'chart.js';
import type { LegendEntry, Plan } from 'core/plan';
import { drawKey, keyWidth } from './legend-key';
import { fitted, wrapped } from './shortened';

// Sizes in CSS pixels; the title is the first thing read, the axis note the last.
const TITLE = { size: 19, weight: 650, line: 25, most: 2 };
const SUBTITLE = { size: 13, weight: 400, line: 19, most: 3 };
const NOTE = { size: 12, weight: 400, line: 18 };
const GAP_ABOVE_NOTE = 8;
const GAP_BELOW = 14;
const GAP_BETWEEN = 16;
const AXIS_TITLES = 14;
// A note may be cut, but not to less than this.
const NOTE_ROOM = 160;
const SMALLEST = 12;
// Below this width the head shrinks with the figure, down to three quarters.
const FULL_WIDTH = 640;

/** Title, line below it, legend and axis note: a box that Chart.js lays out above the plot. */
export const figureHead = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'figureHead',
  start: chart => layouts.addBox(chart, new HeadBox(chart, planNow)),
});

const hasAxisTitles = ({ panels }: Plan): boolean => panels.length === 1 && panels.some(({ axes }) => axes.some(axis => axis.title));

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
  private notes: { readonly rows: LegendEntry[][]; readonly noteLeft: number } = { rows: [], noteLeft: 0 };
  private fittedTo: { readonly plan: Plan; readonly width: number } | null = null;

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
    // The layout asks several times in a row: words are measured once.
    if (this.fittedTo?.plan === this.plan && this.fittedTo.width === width) return;
    this.fittedTo = { plan: this.plan, width };
    const measure = (text: string): number => ctx.measureText(text).width;
    ctx.save();
    ctx.font = this.font(TITLE);
    this.title = wrapped(this.plan.title, width, TITLE.most, measure);
    ctx.font = this.font(SUBTITLE);
    this.subtitle = wrapped(this.plan.subtitle, width, SUBTITLE.most, measure);
    ctx.font = this.font(NOTE);
    this.notes = this.flow(width, measure);
    const rows = this.notes.rows.length;
    ctx.restore();
    this.height =
      (this.title.length * TITLE.line + this.subtitle.length * SUBTITLE.line) * this.share +
      GAP_ABOVE_NOTE +
      NOTE.line * rows +
      (hasAxisTitles(this.plan) ? AXIS_TITLES : 0) +
      GAP_BELOW;
  }

  draw(): void {
    const { ctx } = this.chart;
    ctx.save();
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    const { livery } = this.plan;
    const afterTitle = this.lines(this.title, TITLE, livery.ink, this.top);
    const afterSubtitle = this.lines(this.subtitle, SUBTITLE, livery.soft, afterTitle);
    this.drawNotes(afterSubtitle + GAP_ABOVE_NOTE);
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

  /** Entries flow like words; the note follows them on the last line where it fits, else below. */
  private flow(width: number, measure: (text: string) => number): { rows: LegendEntry[][]; noteLeft: number } {
    const rows: LegendEntry[][] = [[]];
    let left = 0;
    for (const entry of this.plan.legend) {
      const wide = keyWidth(entry.key) + 6 + measure(entry.text) + GAP_BETWEEN;
      if (left > 0 && left + wide > width) {
        rows.push([]);
        left = 0;
      }
      rows.at(-1)?.push(entry);
      left += wide;
    }
    const fits = left === 0 || left + Math.min(measure(this.plan.axisNote), NOTE_ROOM) <= width;
    if (!fits) rows.push([]);
    return { rows, noteLeft: fits ? left : 0 };
  }

  private drawNotes(top: number): void {
    const { ctx } = this.chart;
    ctx.font = this.font(NOTE);
    const measure = (text: string): number => ctx.measureText(text).width;
    const { rows, noteLeft } = this.notes;
    rows.forEach((row, i) => {
      let left = this.left;
      for (const entry of row) left = this.drawEntry(entry, left, top + NOTE.line * (i + 0.5), measure);
    });
    ctx.font = this.font(NOTE);
    ctx.textAlign = 'left';
    ctx.fillStyle = this.plan.livery.soft;
    ctx.fillText(fitted(this.plan.axisNote, this.width - noteLeft, measure), this.left + noteLeft, top + NOTE.line * (rows.length - 0.5));
  }

  private drawEntry({ text, key }: LegendEntry, left: number, middle: number, measure: (text: string) => number): number {
    const { ctx } = this.chart;
    const width = drawKey(this.chart, key, left, middle - 1, this.plan);
    ctx.font = this.font(NOTE);
    ctx.textAlign = 'left';
    ctx.fillStyle = this.plan.livery.ink;
    ctx.fillText(text, left + width + 6, middle);
    return left + width + 6 + measure(text) + GAP_BETWEEN;
  }
}
