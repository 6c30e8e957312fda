import type { ChartOptions } from 'chart.js';
import type { AxisPlan, ChartPlan } from 'core/plan';
import { positionOf } from 'core/scale';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import { isBar } from 'core/shape';
import { footRoom } from '../scene/figure-foot';
import { marginRoom } from '../scene/line-labels';
import { shortened } from '../scene/shortened';

export { CATEGORY_AXIS, stripId, valueAxisId };

// From here on names cost more than they tell: the category axis counts, and a few of its places are named.
const MANY = 400;
// Numbers of the value axes, and their distance from it, in CSS pixels.
const NUMBER_SIZE = 12;
const NUMBER_GAP = 8;
/** Whether a plan has so many categories that its axis counts and names few. */
export const isCounted = ({ categories }: ChartPlan): boolean => categories.length > MANY;

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: ChartPlan): ChartOptions<'bar'> {
  return {
    indexAxis: plan.horizontal ? 'y' : 'x',
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    resizeDelay: 30,
    events: [],
    layout: { padding: { top: 14 + labelRoom(plan), right: 20 + marginRoom(plan), bottom: 12 + footRoom(plan), left: 14 } },
    font: { family: plan.livery.font, size: 12 },
    scales: { [CATEGORY_AXIS]: categoryAxis(plan), ...valueAxes(plan) },
  };
}

// Above a mark that ends where its axis does, a label needs more room than the edge leaves; in CSS pixels.
const LABEL_ROOM = 8;
// A mark that ends so near to the end of its axis has its label beyond it.
const NEAR_END = 0.97;

/** Room for the labels of marks that reach the top of their axis, as those do that reach a ceiling. */
function labelRoom({ horizontal, panels }: ChartPlan): number {
  const [top] = panels;
  if (horizontal || !top) return 0;
  const reaches = top.layers.some(({ labels, ends, axis }) => {
    const scale = top.axes[axis]?.scale;
    return scale !== undefined && labels.some(({ at, where }) => where === 'end' && positionOf(scale, ends[at] as number) > NEAR_END);
  });
  return reaches ? LABEL_ROOM : 0;
}

function valueAxes(plan: ChartPlan): Record<string, object> {
  const several = plan.panels.length > 1;
  const second = plan.panels.some(panel => panel.axes.length > 1);
  const axes = second ? [0, 1] : [0];
  return Object.fromEntries(
    plan.panels.flatMap((_, panel) =>
      axes.flatMap((axis): [string, object][] => [
        [valueAxisId(panel, axis), valueAxis(plan, panel, axis)],
        ...(several ? [[stripId(panel, axis), strip(plan, panel, axis)] as [string, object]] : []),
      ]),
    ),
  );
}

/** The first axis stands left, the second right; in a lying figure below and above. */
const sideOf = (horizontal: boolean, axis: number): string =>
  axis === 0 ? (horizontal ? 'bottom' : 'left') : horizontal ? 'top' : 'right';

// Panels stack from the top on the left, and the same way on the right.
const weightOf = (horizontal: boolean, panel: number, axis: number, strip: 0 | 1): number => {
  const place = 2 * panel - strip;
  return horizontal ? (axis === 0 ? place : -place) : axis === 0 ? -place : place;
};

function strip({ horizontal, panels }: ChartPlan, panel: number, axis: number): object {
  return {
    type: 'linear',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(horizontal, axis),
    stack: `panels${axis}`,
    stackWeight: horizontal ? 0.08 : 0.1 * panels.length,
    weight: weightOf(horizontal, panel, axis, 1),
    ticks: { display: false },
    grid: { display: false },
    border: { display: false },
  };
}

// Longer names are cut on the axis; the whole name stands in hover and ledger.
const LONGEST_BESIDE = 28;
const LONGEST_BELOW = 16;
const MOST_NAMED = 24;

function categoryAxis(plan: ChartPlan): object {
  const { horizontal, categories, livery } = plan;
  const longest = horizontal ? LONGEST_BESIDE : LONGEST_BELOW;
  const wide =
    categories.length < 3 || plan.panels.some(({ layers, bands }) => layers.some(isBar) || bands.some(band => band.style === 'boxes'));
  const counted = isCounted(plan);
  const room = wide ? 0.5 : 0;
  return {
    type: counted ? 'linear' : 'category',
    axis: horizontal ? 'y' : 'x',
    position: horizontal ? 'left' : 'bottom',
    ...(counted
      ? {
          min: -room,
          max: categories.length - 1 + room,
          reverse: horizontal,
          afterBuildTicks: (axis: Ticked) => (axis.ticks = namedPlaces(categories.length)),
        }
      : { offset: wide }),
    grid: { display: false },
    // Where values fall below zero, the line to read from is that of zero.
    border: { ...baseLine(plan), display: !plan.panels.some(({ axes }) => crossesZero(axes[0])) },
    ticks: {
      color: livery.ink,
      font: { family: livery.font, size: 12 },
      padding: 4,
      maxRotation: horizontal ? 0 : 40,
      autoSkip: categories.length > 40,
      // Measuring every one of hundreds of names would cost more than drawing all bars.
      ...(categories.length > 120 ? { sampleSize: 60 } : {}),
      autoSkipPadding: 4,
      // Of the ticks that are left after skipping, the value is the place among the categories, the index is not.
      callback: (value: unknown) => shortened(categories[Number(value)] ?? '', longest),
    },
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

interface Fitted {
  readonly ctx: CanvasRenderingContext2D;
  width: number;
  height: number;
}

/** The layout shares out room by the number of axes, and cuts numbers where panels are many: each gets what its own numbers need. */
function fitNumbers(axis: Fitted, tickLabels: readonly string[], { horizontal, livery }: ChartPlan): void {
  if (horizontal) {
    axis.height = Math.max(axis.height, NUMBER_SIZE + 2 * NUMBER_GAP);
    return;
  }
  axis.ctx.font = `${NUMBER_SIZE}px ${livery.font}`;
  const widest = Math.max(0, ...tickLabels.map(text => axis.ctx.measureText(text).width));
  axis.width = Math.max(axis.width, widest + 2 * NUMBER_GAP);
}

interface Ticked {
  ticks: { value: number }[];
}

function namedPlaces(count: number): { value: number }[] {
  const step = Math.ceil(count / MOST_NAMED);
  return Array.from({ length: Math.ceil(count / step) }, (_, i) => ({ value: i * step }));
}

const NO_AXIS: Pick<AxisPlan, 'scale' | 'tickLabels'> = { scale: { kind: 'linear', low: 0, high: 1, ticks: [] }, tickLabels: [] };

function valueAxis(plan: ChartPlan, panel: number, axis: number): object {
  const { horizontal, livery, gridlines, panels } = plan;
  const shown: AxisPlan | undefined = panels[panel]?.axes[axis];
  const { scale, tickLabels } = shown ?? NO_AXIS;
  // The axis knows positions alone, from one end of its scale to the other.
  const positions = scale.ticks.map(tick => positionOf(scale, tick));
  return {
    type: 'linear',
    axis: horizontal ? 'x' : 'y',
    position: sideOf(horizontal, axis),
    ...(panels.length > 1 ? { stack: `panels${axis}`, stackWeight: 1, weight: weightOf(horizontal, panel, axis, 0) } : {}),
    min: 0,
    max: 1,
    reverse: shown?.reversed ?? false,
    // Two grids would cross each other: the first axis has it.
    grid: { ...gridOf(plan, shown), display: axis === 0 && (gridlines || crossesZero(shown)), drawTicks: false },
    border: { display: false },
    afterBuildTicks: (item: Ticked) => (item.ticks = positions.map(value => ({ value }))),
    ...(panels.length > 1 && shown?.numbers ? { afterFit: (item: Fitted) => fitNumbers(item, tickLabels, plan) } : {}),
    ticks: {
      display: shown?.numbers ?? false,
      color: livery.soft,
      font: { family: livery.font, size: NUMBER_SIZE },
      padding: NUMBER_GAP,
      autoSkip: true,
      autoSkipPadding: 6,
      maxRotation: 0,
      callback: (value: unknown) => tickLabels[positions.indexOf(Number(value))] ?? '',
    },
  };
}
