import type { Chart } from 'chart.js';
import type { AxisPlan, ChartPlan } from 'core/plan';
import type { BareAxisOptions } from './bare-axis';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import type { AxisInLayout, CategoryNames } from './category-names';
import type { Widths } from '../canvas/text-widths';
import { numberRoom } from '../scene/axes/axis-numbers';
import { roomBeside } from '../scene/labels/label-room';
import { marginRoom } from '../scene/labels/line-labels';
import { endRoom, lastPlace } from '../scene/axes/name-grid';
import { isTitled } from '../scene/axes/axis-titles';

export { stripId, valueAxisId };

/** CSS pixels on each side. */
type Padding = Readonly<Record<'top' | 'right' | 'bottom' | 'left', number>>;

/** Fits the words of axes into their room. */
export interface AxisWords {
  readonly names: CategoryNames;
  readonly widths: Widths;
}

/** Axes and layout of a plan, as Chart.js is given them. */
export interface FigureOptions {
  readonly animation: false;
  readonly responsive: true;
  readonly maintainAspectRatio: false;
  readonly resizeDelay: number;
  readonly events: [];
  readonly layout: { readonly padding: (asked: { readonly chart: Chart }) => Padding };
  /** By their names within Chart.js; none where a plan has no panels. */
  readonly scales: Readonly<Record<string, BareAxisOptions>>;
}

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export const optionsOf = (plan: ChartPlan, { names, widths }: AxisWords): FigureOptions => ({
  animation: false,
  responsive: true,
  maintainAspectRatio: false,
  resizeDelay: 30,
  events: [],
  layout: { padding: paddingFor(plan, widths) },
  scales: plan.panels.length === 0 ? {} : { [CATEGORY_AXIS]: categoryAxis(plan, names), ...valueAxes(plan, widths) },
});

/** Around the plot. Asked for at every layout: how much room labels need follows from the size of the figure. */
const paddingFor =
  (plan: ChartPlan, widths: Widths) =>
  ({ chart }: { readonly chart: Chart }): Padding => {
    const beside = Math.max(marginRoom(plan), roomBeside(plan, chart.width, widths.on(chart.ctx, plan.livery.font)));
    return plan.isStrip ? { top: 2, right: 16 + beside, bottom: 2, left: 4 } : { top: 14, right: 20 + beside, bottom: 10, left: 14 };
  };

function valueAxes(plan: ChartPlan, widths: Widths): Record<string, BareAxisOptions> {
  const several = isTitled(plan);
  const second = plan.panels.some(panel => panel.axes.length > 1);
  const axes = second ? [0, 1] : [0];
  return Object.fromEntries(
    plan.panels.flatMap((_, panel) =>
      axes.flatMap((axis): [string, BareAxisOptions][] => [
        [valueAxisId(panel, axis), valueAxis(plan, panel, axis, widths)],
        ...(several ? [[stripId(panel, axis), strip(plan, panel, axis)] as [string, BareAxisOptions]] : []),
      ]),
    ),
  );
}

const isNear = ({ panels }: ChartPlan, axis: number): boolean => (panels[0]?.axes[axis]?.side ?? (axis === 0 ? 'near' : 'far')) === 'near';

/** The first axis stands left, the second right, unless they have changed places; in a lying figure below and above. */
const sideOf = (plan: ChartPlan, axis: number): BareAxisOptions['position'] =>
  isNear(plan, axis) ? (plan.horizontal ? 'bottom' : 'left') : plan.horizontal ? 'top' : 'right';

// Panels stack from the top on the left, and the same way on the right.
const weightOf = (plan: ChartPlan, panel: number, axis: number, strip: 0 | 1): number => {
  const place = 2 * panel - strip;
  return plan.horizontal === isNear(plan, axis) ? place : -place;
};

function strip(plan: ChartPlan, panel: number, axis: number): BareAxisOptions {
  const { horizontal, panels } = plan;
  return {
    type: 'bare',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(plan, axis),
    min: 0,
    max: 1,
    reverse: false,
    stack: `panels${axis}`,
    stackWeight: horizontal ? 0.08 : 0.1 * panels.length,
    weight: weightOf(plan, panel, axis, 1),
  };
}

function categoryAxis(plan: ChartPlan, names: CategoryNames): BareAxisOptions {
  const { horizontal } = plan;
  const room = endRoom(plan);
  return {
    type: 'bare',
    axis: horizontal ? 'y' : 'x',
    position: horizontal ? 'left' : 'bottom',
    min: -room,
    // A single point has an axis too.
    max: Math.max(1e-9, lastPlace(plan) + room),
    reverse: horizontal,
    weight: 0,
    // The scene writes the names; here they get the room that they take.
    afterFit: axis => names.fit(axis),
  };
}

/** The scene writes the numbers; here they get the room that they take. */
function fitNumbers(item: AxisInLayout, axis: AxisPlan | undefined, plan: ChartPlan, widths: Widths): void {
  const room = axis ? numberRoom(axis, plan, widths.on(item.ctx, plan.livery.font)) : 0;
  if (plan.horizontal) item.height = room;
  else item.width = room;
}

/** The axis knows positions alone, from one end of its scale to the other. */
function valueAxis(plan: ChartPlan, panel: number, axis: number, widths: Widths): BareAxisOptions {
  const { horizontal, panels } = plan;
  const shown: AxisPlan | undefined = panels[panel]?.axes[axis];
  return {
    type: 'bare',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(plan, axis),
    ...(isTitled(plan) ? { stack: `panels${axis}`, stackWeight: 1, weight: weightOf(plan, panel, axis, 0) } : { weight: 0 }),
    min: 0,
    max: 1,
    reverse: shown?.reversed ?? false,
    afterFit: item => fitNumbers(item, shown, plan, widths),
  };
}
