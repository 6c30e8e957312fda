import type { Chart, ChartOptions } from 'chart.js';
import type { AxisPlan, ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import type { AxisInLayout, CategoryNames } from './category-names';
import type { TextWidths } from '../canvas/text-widths';
import { numberRoom } from '../scene/axis-numbers';
import { roomBeside } from '../scene/label-room';
import { marginRoom } from '../scene/line-labels';
import { endRoom, lastPlace } from '../scene/name-grid';

export { CATEGORY_AXIS, stripId, valueAxisId };

/** What fits its words into the room of the axes. */
export interface AxisWords {
  readonly names: CategoryNames;
  readonly widths: TextWidths;
}

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: ChartPlan, { names, widths }: AxisWords): ChartOptions<'bar'> {
  // Asked for at every layout: how much room labels need follows from the size of the figure.
  const padding = ({ chart }: { readonly chart: Chart }) => {
    const measure = widths.on(chart.ctx, plan.livery.font);
    return { top: 14, right: 20 + Math.max(marginRoom(plan), roomBeside(plan, chart.width, measure)), bottom: 10, left: 14 };
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
    scales: { [CATEGORY_AXIS]: categoryAxis(plan, names), ...valueAxes(plan, widths) },
  };
}

function valueAxes(plan: ChartPlan, widths: TextWidths): Record<string, object> {
  const several = plan.panels.length > 1;
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
    // Where values fall below zero, the line to read from is that of zero.
    border: { ...baseLine(plan), display: !plan.panels.some(({ axes }) => crossesZero(axes[0])) },
    ticks: { display: false },
    // The scene writes the names; here they get the room that they take.
    afterBuildTicks: (axis: Ticked) => (axis.ticks = []),
    afterFit: (axis: AxisInLayout) => names.fit(axis),
  };
}

const crossesZero = (axis: AxisPlan | undefined): boolean => axis !== undefined && axis.scale.low < 0 && axis.scale.high > 0;

// Width of a zero line that is to be seen before all else, in CSS pixels.
const BOLD = 2.5;

/** The line at the end of the value axis; where that is zero, it is the zero line. */
function baseLine({ livery, zeroLine, panels }: ChartPlan): { color: string; width: number } {
  const atZero = panels.some(({ axes }) => axes[0]?.scale.low === 0 || axes[0]?.scale.high === 0);
  if (!atZero || zeroLine === 'auto') return { color: livery.soft, width: 1 };
  return zeroLine === 'bold' ? { color: livery.ink, width: BOLD } : { color: livery.hair, width: 1 };
}

/** Gridlines, and the line at zero as it is told from them. */
function gridOf({ gridlines, livery, zeroLine }: ChartPlan, axis: AxisPlan | undefined): object {
  const line = gridlines ? livery.hair : 'transparent';
  if (!crossesZero(axis) || zeroLine === 'none') return { color: line, lineWidth: 1 };
  const zero = axis ? positionOf(axis.scale, 0) : NaN;
  const isZero = ({ tick }: { tick?: { value: number } }): boolean => tick?.value === zero;
  return {
    color: (at: { tick?: { value: number } }) => (isZero(at) ? (zeroLine === 'bold' ? livery.ink : livery.soft) : line),
    lineWidth: (at: { tick?: { value: number } }) => (isZero(at) && zeroLine === 'bold' ? BOLD : 1),
  };
}

interface Ticked {
  ticks: { value: number }[];
}

const NO_SCALE: AxisPlan['scale'] = { kind: 'linear', low: 0, high: 1, ticks: [] };

/** The scene writes the numbers; here they get the room that they take, and half a number beyond their ends. */
function fitNumbers(item: AxisInLayout, axis: AxisPlan | undefined, plan: ChartPlan, widths: TextWidths): void {
  const room = axis ? numberRoom(axis, plan, widths.on(item.ctx, plan.livery.font)) : 0;
  if (plan.horizontal) item.height = room;
  else item.width = room;
}

function valueAxis(plan: ChartPlan, panel: number, axis: number, widths: TextWidths): object {
  const { horizontal, gridlines, panels } = plan;
  const shown: AxisPlan | undefined = panels[panel]?.axes[axis];
  const scale = shown?.scale ?? NO_SCALE;
  // The axis knows positions alone, from one end of its scale to the other.
  const positions = scale.ticks.map(tick => positionOf(scale, tick));
  return {
    type: 'linear',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(plan, axis),
    ...(panels.length > 1 ? { stack: `panels${axis}`, stackWeight: 1, weight: weightOf(plan, panel, axis, 0) } : {}),
    min: 0,
    max: 1,
    reverse: shown?.reversed ?? false,
    // Two grids would cross each other: the first axis has it.
    grid: { ...gridOf(plan, shown), display: axis === 0 && (gridlines || crossesZero(shown)), drawTicks: false },
    border: { display: false },
    afterBuildTicks: (item: Ticked) => (item.ticks = positions.map(value => ({ value }))),
    afterFit: (item: AxisInLayout) => fitNumbers(item, shown, plan, widths),
    ticks: { display: false },
  };
}
