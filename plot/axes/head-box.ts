import { layouts, type Chart, type Plugin } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import { headOf, type FigureHead } from '../scene/figure-head';
import type { TextWidths } from '../canvas/text-widths';

/** What keeps room for the head of a figure, and tells what fits there. */
export interface HeadRoom {
  readonly words: FigureHead | null;
  readonly left: number;
  readonly top: number;
}

/** Room for title, legend and notes: a box that Chart.js lays out above the plot. The scene writes them. */
export class HeadBox implements HeadRoom {
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
  words: FigureHead | null = null;
  private fittedTo: ChartPlan | null = null;
  private ctx: CanvasRenderingContext2D | null = null;

  constructor(
    private readonly planNow: () => ChartPlan,
    private readonly widths: TextWidths,
  ) {}

  /** Asks Chart.js for room above the plot. */
  plugin(): Plugin<'bar'> {
    const start = (chart: Chart): void => {
      this.ctx = chart.ctx;
      layouts.addBox(chart, this);
    };
    return { id: 'headBox', start };
  }

  isHorizontal(): boolean {
    return true;
  }

  update(width: number): void {
    const plan = this.planNow();
    if (!this.ctx) return;
    // The layout asks several times in a row: words are measured once.
    if (!this.words || this.fittedTo !== plan || this.width !== width)
      this.words = headOf(plan, width, this.widths.on(this.ctx, plan.livery.font));
    this.fittedTo = plan;
    this.width = width;
    this.height = this.words.height;
  }

  /** Nothing: the scene does. */
  draw(): void {}
}
