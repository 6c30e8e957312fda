import type { Chart, Plugin } from 'chart.js';
import type { Plan } from 'core/plan';
import { boxOfBar, type PlacedBar } from './bar-painter';

/** Outlines the marks of the row that the pointer, the keyboard or a row of the ledger is on. */
export const pointedRow = (planNow: () => Plan, rowNow: () => number | null): Plugin<'bar'> => ({
  id: 'pointedRow',
  afterDatasetsDraw(chart) {
    const row = rowNow();
    if (row === null) return;
    const { layers, livery, lying } = planNow();
    layers.forEach((layer, i) => {
      const mark = chart.getDatasetMeta(i).data[layer.rows.indexOf(row)] as unknown as PlacedBar | undefined;
      if (!mark) return;
      if (layer.shape === 'column') outlineBar(chart, mark, lying, livery.ink);
      else outlinePoint(chart, mark, livery.ink);
    });
  },
});

function outlineBar({ ctx }: Chart, bar: PlacedBar, lying: boolean, colour: string): void {
  const [left, top, across, down] = boxOfBar(bar, lying);
  if (Number.isNaN(left + top + across + down)) return;
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.5;
  ctx.strokeRect(left - 2, top - 2, across + 4, down + 4);
  ctx.restore();
}

function outlinePoint({ ctx }: Chart, { x, y }: PlacedBar, colour: string): void {
  if (Number.isNaN(x + y)) return;
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.5;
  ctx.beginPath();
  ctx.arc(x, y, 7, 0, 2 * Math.PI);
  ctx.stroke();
  ctx.restore();
}
