import type { Chart, ChartOptions } from 'chart.js';
import type { AxisPlan, ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import type { AxisInLayout, CategoryNames } from './category-names';
import type { Widths } from '../canvas/text-widths';
import { numberRoom } from '../scene/axis-numbers';
import { roomBeside } from '../scene/label-room';
import { marginRoom } from '../scene/line-labels';
import { endRoom, lastPlace } from '../scene/name-grid';
import { isTitled } from '../scene/axis-titles';

export { CATEGORY_AXIS, stripId, valueAxisId };

/** What fits its words into the room of the axes. */
export interface AxisWords {
  readonly names: CategoryNames;
  readonly widths: Widths;
}

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: ChartPlan, { names, widths }: AxisWords): ChartOptions<'bar'> {
  // Asked for at every layout: how much room labels need follows from the size of the figure.
  const padding = ({ chart }: { readonly chart: Chart }) => {
    const measure = widths.on(chart.ctx, plan.livery.font);
    const beside = Math.max(marginRoom(plan), roomBeside(plan, chart.width, measure));
    return plan.isStrip ? { top: 2, right: 16 + beside, bottom: 2, left: 4 } : { top: 14, right: 20 + beside, bottom: 10, left: 14 };
  };
  return {
    indexAxis: plan.horizontal ? 'y' : 'x',
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    resizeDelay: 30,
    events: [],
    layout: { padding: padding },
    font: { family: plan.livery.font, size: 12 },
    // A grid lays out its own axes, strip by strip.
    scales: plan.panels.length === 0 ? {} : { [CATEGORY_AXIS]: categoryAxis(plan, names), ...valueAxes(plan, widths) },
  };
}

function valueAxes(plan: ChartPlan, widths: Widths): Record<string, object> {
  const several = isTitled(plan);
  const second = plan.panels.some(panel => panel.axes.length > 1);
  const axes = second ? [0, 1] : [0];
  return Object.fromEntries(
    plan.panels.flatMap((_, panel) =>
      axes.flatMap((axis): [string, object][] => [
        [valueAxisId(panel, axis), valueAxis(plan, panel, axis, widths)],
        ...(several ? [[stripId(panel, axis), strip(plan, panel, axis)] as [string, object]] : []),
      ]),
    ),
  );
}

const isNear = ({ panels }: ChartPlan, axis: number): boolean => (panels[0]?.axes[axis]?.side ?? (axis === 0 ? 'near' : 'far')) === 'near';

/** The first axis stands left, the second right, unless they have changed places; in a lying figure below and above. */
const sideOf = (plan: ChartPlan, axis: number): string =>
  isNear(plan, axis) ? (plan.horizontal ? 'bottom' : 'left') : plan.horizontal ? 'top' : 'right';

// Panels stack from the top on the left, and the same way on the right.
const weightOf = (plan: ChartPlan, panel: number, axis: number, strip: 0 | 1): number => {
  const place = 2 * panel - strip;
  return plan.horizontal === isNear(plan, axis) ? place : -place;
};

function strip(plan: ChartPlan, panel: number, axis: number): object {
  const { horizontal, panels } = plan;
  return {
    type: 'linear',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(plan, axis),
    stack: `panels${axis}`,
    stackWeight: horizontal ? 0.08 : 0.1 * panels.length,
    weight: weightOf(plan, panel, axis, 1),
    ticks: { display: false },
    grid: { display: false },
    border: { display: false },
  };
}

function categoryAxis(plan: ChartPlan, names: CategoryNames): object {
  const { horizontal } = plan;
  const room = endRoom(plan);
  return {
    type: 'linear',
    axis: horizontal ? 'y' : 'x',
    position: horizontal ? 'left' : 'bottom',
    min: -room,
    // A single point has an axis too.
    max: Math.max(1e-9, lastPlace(plan) + room),
    reverse: horizontal,
    grid: { display: false },
    border: { display: false },
    ticks: { display: false },
    // The scene writes the names; here they get the room that they take.
    afterBuildTicks: (axis: Ticked) => (axis.ticks = []),
    afterFit: (axis: AxisInLayout) => names.fit(axis),
  };
}

interface Ticked {
  ticks: { value: number }[];
}

const NO_SCALE: AxisPlan['scale'] = { kind: 'linear', low: 0, high: 1, ticks: [] };

/** The scene writes the numbers; here they get the room that they take, and half a number beyond their ends. */
function fitNumbers(item: AxisInLayout, axis: AxisPlan | undefined, plan: ChartPlan, widths: Widths): void {
  const room = axis ? numberRoom(axis, plan, widths.on(item.ctx, plan.livery.font)) : 0;
  if (plan.horizontal) item.height = room;
  else item.width = room;
}

function valueAxis(plan: ChartPlan, panel: number, axis: number, widths: Widths): object {
  const { horizontal, panels } = plan;
  const shown: AxisPlan | undefined = panels[panel]?.axes[axis];
  const scale = shown?.scale ?? NO_SCALE;
  // The axis knows positions alone, from one end of its scale to the other.
  const positions = scale.ticks.map(tick => positionOf(scale, tick));
  return {
    type: 'linear',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(plan, axis),
    ...(isTitled(plan) ? { stack: `panels${axis}`, stackWeight: 1, weight: weightOf(plan, panel, axis, 0) } : {}),
    min: 0,
    max: 1,
    reverse: shown?.reversed ?? false,
    // The scene draws its lines.
    grid: { display: false },
    border: { display: false },
    afterBuildTicks: (item: Ticked) => (item.ticks = positions.map(value => ({ value }))),
    afterFit: (item: AxisInLayout) => fitNumbers(item, shown, plan, widths),
    ticks: { display: false },
  };
}
