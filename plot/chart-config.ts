import type { ChartDataset, ChartOptions } from 'chart.js';
import type { Plan } from 'core/plan';
import { shortened } from './shortened';

/** A plan's bars as Chart.js data: places alone, the painter has the colours. */
export function datasetsOf(plan: Plan): ChartDataset<'bar', number[]>[] {
  return plan.bars.map(layer => ({
    label: layer.measure,
    data: layer.values as unknown as number[],
    normalized: true,
    categoryPercentage: 1,
    barPercentage: plan.categories.length > 400 ? 0.92 : 0.74,
  }));
}

/** Axes and layout of a plan. Nothing animates: an edit is on screen in the next frame. */
export function optionsOf(plan: Plan): ChartOptions<'bar'> {
  const scales = { [plan.lying ? 'y' : 'x']: categoryAxis(plan), [plan.lying ? 'x' : 'y']: valueAxis(plan) };
  return {
    indexAxis: plan.lying ? 'y' : 'x',
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    resizeDelay: 30,
    events: [],
    layout: { padding: { top: 14, right: 20, bottom: 12, left: 14 } },
    font: { family: plan.livery.font, size: 12 },
    scales,
  };
}

// Longer names are cut on the axis; the whole name stands in hover and ledger.
const LONGEST_BESIDE = 28;
const LONGEST_BELOW = 16;

function categoryAxis(plan: Plan): object {
  const longest = plan.lying ? LONGEST_BESIDE : LONGEST_BELOW;
  return {
    type: 'category',
    grid: { display: false },
    border: { color: plan.livery.soft, width: 1 },
    ticks: {
      color: plan.livery.ink,
      font: { family: plan.livery.font, size: 12 },
      padding: 4,
      maxRotation: plan.lying ? 0 : 40,
      autoSkip: plan.categories.length > 40,
      autoSkipPadding: 4,
      callback: (_value: unknown, index: number) => shortened(plan.categories[index] ?? '', longest),
    },
  };
}

function valueAxis(plan: Plan): object {
  const { scale, tickLabels, livery } = plan;
  return {
    type: 'linear',
    min: scale.low,
    max: scale.high,
    grid: { display: plan.gridlines, color: livery.hair, lineWidth: 1, drawTicks: false },
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
