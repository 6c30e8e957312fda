import { layouts, type Chart, type Plugin } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import type { TextWidth } from '../scene/scene';
import type { TextWidths } from '../canvas/text-widths';

/** Words above or below the plot, fitted into its width. */
export interface FittedWords {
  readonly height: number;
}

/** Words with the corner that they begin at. */
export interface WordPlace<W> {
  readonly words: W | null;
  readonly left: number;
  readonly top: number;
}

/** How words are fitted into a width, no higher than so many CSS pixels as long as they can be less. */
export type Fit<W> = (plan: ChartPlan, width: number, measure: TextWidth, highest: number) => W;

/** Where a box of words stands, and which share of the figure's height it may take. */
export interface WordSide {
  readonly position: 'top' | 'bottom';
  readonly most: number;
}

/** Room for words that run over the whole width: a box that Chart.js lays out above or below the plot. The scene writes them. */
export class WordBox<W extends FittedWords> implements WordPlace<W> {
  readonly position: 'top' | 'bottom';
  readonly weight = 2000;
  readonly fullSize = true;
  readonly options = {};
  left = 0;
  top = 0;
  right = 0;
  bottom = 0;
  width = 0;
  height = 0;
  words: W | null = null;
  private fittedTo: { readonly plan: ChartPlan; readonly width: number; readonly highest: number } | null = null;
  private chart: Chart | null = null;

  constructor(
    private readonly planNow: () => ChartPlan,
    private readonly widths: TextWidths,
    private readonly fit: Fit<W>,
    private readonly side: WordSide,
  ) {
    this.position = side.position;
  }

  /** Asks Chart.js for the room. */
  plugin(): Plugin<'bar'> {
    const start = (chart: Chart): void => {
      this.chart = chart;
      layouts.addBox(chart, this);
    };
    return { id: `words ${this.position}`, start };
  }

  isHorizontal(): boolean {
    return true;
  }

  update(width: number): void {
    const { chart, fittedTo, side } = this;
    if (!chart) return;
    const plan = this.planNow();
    const highest = chart.height * side.most;
    // The layout asks several times in a row: words are measured once.
    if (!this.words || fittedTo?.plan !== plan || fittedTo.width !== width || fittedTo.highest !== highest)
      this.words = this.fit(plan, width, this.widths.on(chart.ctx, plan.livery.font), highest);
    this.fittedTo = { plan, width, highest };
    this.width = width;
    this.height = this.words.height;
  }

  /** Nothing: the scene does. */
  draw(): void {}
}
