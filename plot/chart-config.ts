import type { ChartOptions } from 'chart.js';
import type { AxisPlan, Plan } from 'core/plan';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import { isBar } from './geometry';
import { marginRoom } from './level-labels';
import { shortened } from './shortened';

export { CATEGORY_AXIS, stripId, valueAxisId };

// From here on names cost more than they tell: the category axis counts, and a few of its places are named.
const MANY = 400;
// Numbers of the value axes, and their distance from it, in CSS pixels.
const NUMBER_SIZE = 12;
const NUMBER_GAP = 8;
export const isCounted = ({ categories }: Plan): boolean => categories.length > MANY;

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: Plan): ChartOptions<'bar'> {
  return {
    indexAxis: plan.lying ? 'y' : 'x',
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    resizeDelay: 30,
    events: [],
    layout: { padding: { top: 14, right: 20 + marginRoom(plan), bottom: 12, left: 14 } },
    font: { family: plan.livery.font, size: 12 },
    scales: { [CATEGORY_AXIS]: categoryAxis(plan), ...valueAxes(plan) },
  };
}

function valueAxes(plan: Plan): Record<string, object> {
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
const sideOf = (lying: boolean, axis: number): string => (axis === 0 ? (lying ? 'bottom' : 'left') : lying ? 'top' : 'right');

// Panels stack from the top on the left, and the same way on the right.
const weightOf = (lying: boolean, panel: number, axis: number, strip: 0 | 1): number => {
  const place = 2 * panel - strip;
  return lying ? (axis === 0 ? place : -place) : axis === 0 ? -place : place;
};

function strip({ lying, panels }: Plan, panel: number, axis: number): object {
  return {
    type: 'linear',
    axis: lying ? 'x' : 'y',
    position: sideOf(lying, axis),
    stack: `panels${axis}`,
    stackWeight: lying ? 0.08 : 0.1 * panels.length,
    weight: weightOf(lying, panel, axis, 1),
    ticks: { display: false },
    grid: { display: false },
    border: { display: false },
  };
}

// Longer names are cut on the axis; the whole name stands in hover and ledger.
const LONGEST_BESIDE = 28;
const LONGEST_BELOW = 16;
const MOST_NAMED = 24;

function categoryAxis(plan: Plan): object {
  const { lying, categories, livery } = plan;
  const longest = lying ? LONGEST_BESIDE : LONGEST_BELOW;
  const wide = plan.layers.some(isBar) || plan.bands.some(band => band.style === 'boxes') || categories.length < 3;
  const counted = isCounted(plan);
  const room = wide ? 0.5 : 0;
  return {
    type: counted ? 'linear' : 'category',
    axis: lying ? 'y' : 'x',
    position: lying ? 'left' : 'bottom',
    ...(counted
      ? {
          min: -room,
          max: categories.length - 1 + room,
          reverse: lying,
          afterBuildTicks: (axis: Ticked) => (axis.ticks = namedPlaces(categories.length)),
        }
      : { offset: wide }),
    grid: { display: false },
    // Where values fall below zero, the line to read from is that of zero.
    border: { color: livery.soft, width: 1, display: !plan.panels.some(({ axes }) => crossesZero(axes[0])) },
    ticks: {
      color: livery.ink,
      font: { family: livery.font, size: 12 },
      padding: 4,
      maxRotation: lying ? 0 : 40,
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

function gridOf({ gridlines, livery }: Plan, axis: AxisPlan | undefined): object {
  const line = gridlines ? livery.hair : 'transparent';
  return { color: crossesZero(axis) ? ({ tick }: { tick?: { value: number } }) => (tick?.value === 0 ? livery.soft : line) : line };
}

interface Fitted {
  readonly ctx: CanvasRenderingContext2D;
  width: number;
  height: number;
}

/** The layout shares out room by the number of axes, and cuts numbers where panels are many: each gets what its own numbers need. */
function fitNumbers(axis: Fitted, tickLabels: readonly string[], { lying, livery }: Plan): void {
  if (lying) {
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

function valueAxis(plan: Plan, panel: number, axis: number): object {
  const { lying, livery, gridlines, panels } = plan;
  const shown: AxisPlan | undefined = panels[panel]?.axes[axis];
  const { scale, tickLabels } = shown ?? { scale: { low: 0, high: 1, ticks: [] as number[] }, tickLabels: [] as string[] };
  return {
    type: 'linear',
    axis: lying ? 'x' : 'y',
    position: sideOf(lying, axis),
    ...(panels.length > 1 ? { stack: `panels${axis}`, stackWeight: 1, weight: weightOf(lying, panel, axis, 0) } : {}),
    min: scale.low,
    max: scale.high,
    // Two grids would cross each other: the first axis has it.
    grid: { ...gridOf(plan, shown), display: axis === 0 && (gridlines || crossesZero(shown)), lineWidth: 1, drawTicks: false },
    border: { display: false },
    afterBuildTicks: (item: Ticked) => (item.ticks = scale.ticks.map(value => ({ value }))),
    ...(panels.length > 1 && shown?.numbers ? { afterFit: (item: Fitted) => fitNumbers(item, tickLabels, plan) } : {}),
    ticks: {
      display: shown?.numbers ?? false,
      color: livery.soft,
      font: { family: livery.font, size: NUMBER_SIZE },
      padding: NUMBER_GAP,
      autoSkip: true,
      autoSkipPadding: 6,
      maxRotation: 0,
      callback: (value: unknown) => tickLabels[scale.ticks.indexOf(Number(value))] ?? '',
    },
  };
}
