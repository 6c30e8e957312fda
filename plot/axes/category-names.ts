import type { ChartPlan } from 'core/plan';
import { namedAxis } from '../scene/axes/axis-names';
import type { NamedAxis } from '../scene/axes/name-grid';
import type { Widths } from '../canvas/text-widths';

/** An axis of Chart.js while it is laid out. */
export interface AxisInLayout {
  readonly ctx: CanvasRenderingContext2D;
  readonly chart: { readonly width: number; readonly height: number };
  width: number;
  height: number;
  paddingLeft: number;
  paddingRight: number;
}

/** The names of the category axis, fitted into the room that Chart.js gives them. The scene writes them. */
export class CategoryNames {
  private last: { readonly plan: ChartPlan; readonly length: number; readonly across: number; readonly named: NamedAxis } | null = null;

  constructor(
    private readonly planNow: () => ChartPlan,
    private readonly widths: Widths,
  ) {}

  /** Gives an axis the room that its names take. */
  fit(axis: AxisInLayout): void {
    const { horizontal } = this.planNow();
    const { room, before, after } = this.within(
      axis.ctx,
      horizontal ? axis.height : axis.width,
      horizontal ? axis.chart.width : axis.chart.height,
    );
    if (horizontal) axis.width = room;
    else {
      axis.height = room;
      axis.paddingLeft = before;
      axis.paddingRight = after;
    }
  }

  /** The names for an axis of so many pixels, in a figure of so many across it. The layout asks several times in a row: the last answer is kept. */
  within(ctx: CanvasRenderingContext2D, length: number, across: number): NamedAxis {
    const plan = this.planNow();
    const { last } = this;
    if (last?.plan === plan && last.length === length && last.across === across) return last.named;
    const named = namedAxis(plan, { length, across, measure: this.widths.on(ctx, plan.livery.font) });
    this.last = { plan, length, across, named };
    return named;
  }
}
