import { layouts, type Chart, type Plugin } from 'chart.js';
import type { ChartPlan } from 'core/plan';
import type { TextWidth } from '../scene/scene';
import type { Widths } from '../canvas/text-widths';

/** Words above or below the plot, fitted into its width, or to its right. */
export interface FittedWords {
  readonly height: number;
  /** Only of words to the right of the plot. */
  readonly width?: number;
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
  readonly position: 'top' | 'bottom' | 'right';
  readonly most: number;
}

/** Room for words: a box that Chart.js lays out above the plot, below it, or to its right. The scene writes them. */
export class WordBox<W extends FittedWords> implements WordPlace<W> {
  readonly position: WordSide['position'];
  readonly weight = 2000;
  readonly fullSize: boolean;
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
    private readonly widths: Widths,
    private readonly fit: Fit<W>,
    private readonly side: WordSide,
  ) {
    this.position = side.position;
    this.fullSize = side.position !== 'right';
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
    return this.position !== 'right';
  }

  update(width: number): void {
    const { chart, fittedTo, side } = this;
    if (!chart) return;
    const plan = this.planNow();
    // To the right words are fitted into the width of the figure.
    const given = this.position === 'right' ? chart.width : width;
    const highest = chart.height * side.most;
    // The layout asks several times in a row: words are measured once.
    if (!this.words || fittedTo?.plan !== plan || fittedTo.width !== given || fittedTo.highest !== highest)
      this.words = this.fit(plan, given, this.widths.on(chart.ctx, plan.livery.font), highest);
    this.fittedTo = { plan, width: given, highest };
    this.width = this.words.width ?? width;
    this.height = this.words.height;
  }

  /** Nothing: the scene does. */
  draw(): void {}
}
