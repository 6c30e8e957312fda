import type { BarElement, Chart, Plugin } from 'chart.js';
import type { Plan } from 'core/plan';

/** Outlines the bar that the pointer, the keyboard or a row of the ledger is on. */
export const pointedRow = (planNow: () => Plan, rowNow: () => number | null): Plugin<'bar'> => ({
  id: 'pointedRow',
  afterDatasetsDraw(chart) {
    const row = rowNow();
    if (row === null) return;
    const { bars, livery } = planNow();
    bars.forEach((_, i) => outline(chart, chart.getDatasetMeta(i).data[row] as BarElement | undefined, livery.ink));
  },
});

function outline({ ctx }: Chart, bar: BarElement | undefined, colour: string): void {
  if (!bar) return;
  const { x, y, base, width, height, horizontal } = bar.getProps(
    ['x', 'y', 'base', 'width', 'height', 'horizontal'] as never,
    true,
  ) as unknown as BarShape;
  if (Number.isNaN(x) || Number.isNaN(y)) return;
  const [left, top, across, down] = horizontal
    ? [Math.min(x, base), y - height / 2, Math.abs(x - base), height]
    : [x - width / 2, Math.min(y, base), width, Math.abs(y - base)];
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.5;
  ctx.strokeRect(left - 2, top - 2, across + 4, down + 4);
  ctx.restore();
}

interface BarShape {
  readonly x: number;
  readonly y: number;
  readonly base: number;
  readonly width: number;
  readonly height: number;
  readonly horizontal: boolean;
}
