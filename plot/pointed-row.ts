import type { Chart, Plugin } from 'chart.js';
import type { Plan } from 'core/plan';
import { boxOfBar, type PlacedBar } from './bar-painter';

/** Outlines the bar that the pointer, the keyboard or a row of the ledger is on. */
export const pointedRow = (planNow: () => Plan, rowNow: () => number | null): Plugin<'bar'> => ({
  id: 'pointedRow',
  afterDatasetsDraw(chart) {
    const row = rowNow();
    if (row === null) return;
    const { bars, livery, lying } = planNow();
    bars.forEach((_, i) => outline(chart, chart.getDatasetMeta(i).data[row] as unknown as PlacedBar | undefined, lying, livery.ink));
  },
});

function outline({ ctx }: Chart, bar: PlacedBar | undefined, lying: boolean, colour: string): void {
  if (!bar) return;
  const [left, top, across, down] = boxOfBar(bar, lying);
  if (Number.isNaN(left + top + across + down)) return;
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.5;
  ctx.strokeRect(left - 2, top - 2, across + 4, down + 4);
  ctx.restore();
}
