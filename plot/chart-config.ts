import type { ChartDataset, ChartOptions } from 'chart.js';
import type { Layer, Plan } from 'core/plan';
import { shortened } from './shortened';

export const CATEGORY_AXIS = 'category';
export const valueAxisId = (panel: number): string => `value${panel}`;

export type AnyDataset = ChartDataset<'bar' | 'line', number[]>;

/** A plan's layers for Chart.js. Columns get places alone, the painter has their colours. */
export function datasetsOf(plan: Plan): AnyDataset[] {
  return plan.layers.map(layer => {
    const axes = plan.lying
      ? { yAxisID: CATEGORY_AXIS, xAxisID: valueAxisId(layer.panel) }
      : { xAxisID: CATEGORY_AXIS, yAxisID: valueAxisId(layer.panel) };
    const data = layer.values as unknown as number[];
    const base = { label: layer.name, data, normalized: true, order: drawingOrder(layer), ...axes };
    return layer.shape === 'column'
      ? { ...base, type: 'bar', ...barOptions(plan, layer) }
      : { ...base, type: 'line', ...lineOptions(plan, layer) };
  });
}

/** Areas lie behind bars, bars behind lines, lines behind points. */
const drawingOrder = ({ shape }: Layer): number => ({ area: 3, column: 2, line: 1, points: 0 })[shape];

const inPanel = (plan: Plan, layer: Layer, shape: Layer['shape']): Layer[] =>
  plan.layers.filter(other => other.panel === layer.panel && other.shape === shape);

function barOptions(plan: Plan, layer: Layer): object {
  const beside = inPanel(plan, layer, 'column');
  const alone = plan.stacked || beside.length === 1;
  return {
    // Bars of one slot share a place along the category axis; panels have slots of their own that coincide.
    stack: `slot${plan.stacked ? 0 : beside.indexOf(layer)}`,
    categoryPercentage: alone ? 1 : 0.8,
    barPercentage: plan.categories.length > 400 ? 0.92 : alone ? 0.74 : 0.9,
  };
}

const POINT = 3.5;
const MARKED_POINT = 5;

function lineOptions(plan: Plan, layer: Layer): object {
  const areas = inPanel(plan, layer, 'area');
  const isArea = layer.shape === 'area';
  return {
    stack: isArea && plan.stacked ? 'areas' : `own ${layer.measure} ${layer.name}`,
    showLine: layer.shape !== 'points',
    spanGaps: false,
    borderColor: layer.colour,
    borderWidth: 2,
    borderJoinStyle: 'round',
    backgroundColor: `${layer.colour}3d`,
    fill: isArea ? (plan.stacked && areas.indexOf(layer) > 0 ? '-1' : 'origin') : false,
    pointRadius: radiiOf(layer),
    pointBackgroundColor: layer.colours,
    pointBorderColor: plan.livery.ground,
    pointBorderWidth: 1,
    clip: false,
  };
}

/** Points show where they are the shape, where a cue marks them, and where no line reaches them. */
function radiiOf({ shape, marked, values }: Layer): number[] {
  return Array.from(values, (value, at) => {
    if (marked[at]) return MARKED_POINT;
    const alone = value === value && Number.isNaN(values[at - 1] ?? NaN) && Number.isNaN(values[at + 1] ?? NaN);
    return shape === 'points' || alone ? POINT : 0;
  });
}

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: Plan): ChartOptions<'bar'> {
  const several = plan.panels.length > 1;
  const values: Record<string, object> = Object.fromEntries(
    plan.panels.flatMap((_, panel): [string, object][] => [
      [valueAxisId(panel), valueAxis(plan, panel)],
      ...(several ? [[stripId(panel), strip(plan, panel)] as [string, object]] : []),
    ]),
  );
  return {
    indexAxis: plan.lying ? 'y' : 'x',
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    resizeDelay: 30,
    events: [],
    layout: { padding: { top: 14, right: 20, bottom: 12, left: 14 } },
    font: { family: plan.livery.font, size: 12 },
    scales: { [CATEGORY_AXIS]: categoryAxis(plan), ...values },
  };
}

/** The strip beside a panel that holds its name and keeps it apart from its neighbour: an axis without anything on it. */
export const stripId = (panel: number): string => `strip${panel}`;

function strip({ lying, panels }: Plan, panel: number): object {
  return {
    type: 'linear',
    axis: lying ? 'x' : 'y',
    position: lying ? 'bottom' : 'left',
    stack: 'panels',
    stackWeight: lying ? 0.08 : 0.1 * panels.length,
    weight: lying ? 2 * panel - 1 : 1 - 2 * panel,
    ticks: { display: false },
    grid: { display: false },
    border: { display: false },
  };
}

// Longer names are cut on the axis; the whole name stands in hover and ledger.
const LONGEST_BESIDE = 28;
const LONGEST_BELOW = 16;

function categoryAxis(plan: Plan): object {
  const longest = plan.lying ? LONGEST_BESIDE : LONGEST_BELOW;
  const hasBars = plan.layers.some(layer => layer.shape === 'column');
  return {
    type: 'category',
    axis: plan.lying ? 'y' : 'x',
    position: plan.lying ? 'left' : 'bottom',
    stacked: true,
    offset: hasBars || plan.categories.length < 3,
    grid: { display: false },
    border: { color: plan.livery.soft, width: 1 },
    ticks: {
      color: plan.livery.ink,
      font: { family: plan.livery.font, size: 12 },
      padding: 4,
      maxRotation: plan.lying ? 0 : 40,
      autoSkip: plan.categories.length > 40,
      // Measuring every one of hundreds of names would cost more than drawing all bars.
      ...(plan.categories.length > 120 ? { sampleSize: 60 } : {}),
      autoSkipPadding: 4,
      callback: (_value: unknown, index: number) => shortened(plan.categories[index] ?? '', longest),
    },
  };
}

function valueAxis(plan: Plan, panel: number): object {
  const { lying, livery, gridlines, stacked, panels } = plan;
  const { scale, tickLabels } = panels[panel] as Plan['panels'][number];
  return {
    type: 'linear',
    axis: lying ? 'x' : 'y',
    position: lying ? 'bottom' : 'left',
    stacked,
    ...(panels.length > 1 ? { stack: 'panels', stackWeight: 1, weight: lying ? 2 * panel : -2 * panel } : {}),
    min: scale.low,
    max: scale.high,
    grid: { display: gridlines, color: livery.hair, lineWidth: 1, drawTicks: false },
    border: { display: false },
    afterBuildTicks: (axis: { ticks: { value: number }[] }) => (axis.ticks = scale.ticks.map(value => ({ value }))),
    ticks: {
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
