import type { ChartDataset, ChartOptions } from 'chart.js';
import type { AxisPlan, Layer, Plan } from 'core/plan';
import { CATEGORY_AXIS, stripId, valueAxisId } from './axis-ids';
import { dashOf } from './dashes';
import { isArea, isBar } from './geometry';
import { marginRoom } from './level-labels';
import { reduceLine } from './reduce-line';
import { shortened } from './shortened';

export { CATEGORY_AXIS, stripId, valueAxisId };

export interface PointXY {
  readonly x: number;
  readonly y: number;
}
export type AnyDataset = ChartDataset<'bar' | 'line', (number | PointXY)[]>;

// From here on names cost more than they tell: the category axis counts, and a few of its places are named.
const MANY = 400;
export const isCounted = ({ categories }: Plan): boolean => categories.length > MANY;

/** Layers that Chart.js draws, in its order: areas behind, points in front. Bars are painted by `barPainter`. */
export const lineLayers = ({ layers }: Plan): Layer[] => {
  const order = ({ shape }: Layer): number => ({ area: 0, 'step-area': 0, line: 1, step: 1, points: 2 })[shape as 'line'] ?? 1;
  return layers.filter(layer => !isBar(layer)).sort((a, b) => order(a) - order(b));
};

/** A plan's lines, areas and points for Chart.js. @param widthPx of the plot; long lines are reduced to it */
export function datasetsOf(plan: Plan, widthPx: number): AnyDataset[] {
  const layers = lineLayers(plan);
  return layers.map(layer => {
    const value = valueAxisId(layer.panel, layer.axis);
    const axes = plan.lying ? { yAxisID: CATEGORY_AXIS, xAxisID: value } : { xAxisID: CATEGORY_AXIS, yAxisID: value };
    const kept = isCounted(plan) ? reduceLine(layer.ends, widthPx, layer.marked) : null;
    const data = kept ? kept.map(at => pointOf(at, layer.ends[at] as number, plan.lying)) : (layer.ends as unknown as number[]);
    const parsing = kept ? { parsing: false as const } : {};
    return {
      type: 'line',
      label: layer.name,
      data,
      normalized: true,
      ...parsing,
      ...axes,
      ...lineOptions(plan, layer, layers, kept),
    };
  });
}

const pointOf = (at: number, value: number, lying: boolean): PointXY => (lying ? { x: value, y: at } : { x: at, y: value });

const POINT = 3.5;
const MARKED_POINT = 5;

function lineOptions(plan: Plan, layer: Layer, layers: readonly Layer[], kept: readonly number[] | null): object {
  const { shape, stroke, colour } = layer;
  const stepped = shape === 'step' || shape === 'step-area';
  const colours = kept ? kept.map(at => layer.colours[at] as string) : layer.colours;
  return {
    showLine: shape !== 'points',
    spanGaps: false,
    stepped: stepped ? 'middle' : false,
    borderColor: colour,
    borderWidth: stroke.width,
    borderDash: dashOf(stroke.dash, stroke.width),
    borderJoinStyle: 'round',
    backgroundColor: `${colour}3d`,
    fill: isArea(layer) ? fillOf(layer, layers) : false,
    pointRadius: radiiOf(layer, kept),
    pointBackgroundColor: colours,
    pointBorderColor: plan.livery.ground,
    pointBorderWidth: 1,
    // Room for points at the edge; what lies far outside the axis does not show.
    clip: 8,
  };
}

/** A stacked area fills down to the one below it, any other to zero. */
function fillOf(layer: Layer, layers: readonly Layer[]): unknown {
  const below = layers.slice(0, layers.indexOf(layer)).findLastIndex(other => isArea(other) && other.panel === layer.panel);
  return layer.bases && below >= 0 ? below : 'origin';
}

/** Points show where they are the shape, where a cue marks them, and where no line reaches them; a glyph stands for its point. */
function radiiOf({ shape, marked, ends, glyphs }: Layer, kept: readonly number[] | null): number[] {
  const glyphed = new Set(glyphs.flatMap(({ at, beyond }) => (beyond ? [] : [at])));
  const radius = (at: number): number => {
    if (glyphed.has(at)) return 0;
    if (marked[at]) return MARKED_POINT;
    const alone = !Number.isNaN(ends[at]) && Number.isNaN(ends[at - 1] ?? NaN) && Number.isNaN(ends[at + 1] ?? NaN);
    return shape === 'points' || alone ? POINT : 0;
  };
  return kept ? kept.map(radius) : Array.from(ends, (_, at) => radius(at));
}

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
    border: { color: livery.soft, width: 1 },
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
    grid: { display: gridlines && axis === 0, color: livery.hair, lineWidth: 1, drawTicks: false },
    border: { display: false },
    afterBuildTicks: (item: Ticked) => (item.ticks = scale.ticks.map(value => ({ value }))),
    ticks: {
      display: shown?.numbers ?? false,
      color: livery.soft,
      font: { family: livery.font, size: 12 },
      padding: 8,
      autoSkip: true,
      autoSkipPadding: 6,
      maxRotation: 0,
      callback: (value: unknown) => tickLabels[scale.ticks.indexOf(Number(value))] ?? '',
    },
  };
}
