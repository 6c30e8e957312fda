import type { Plugin } from 'chart.js';
import type { Plan } from 'core/plan';
import { Geometry, isBar } from './geometry';

/** Outlines the marks of the row that the pointer, the keyboard or a row of the ledger is on. */
export const pointedRow = (planNow: () => Plan, rowNow: () => number | null): Plugin<'bar'> => ({
  id: 'pointedRow',
  afterDatasetsDraw(chart) {
    const row = rowNow();
    if (row === null) return;
    const plan = planNow();
    const { ctx } = chart;
    const geometry = new Geometry(chart, plan);
    ctx.save();
    ctx.strokeStyle = plan.livery.ink;
    ctx.lineWidth = 1.5;
    for (const layer of plan.layers) {
      const at = layer.rows.indexOf(row);
      if (at === -1 || Number.isNaN(layer.ends[at])) continue;
      if (isBar(layer)) {
        const [left, top, width, height] = geometry.box(layer, at);
        ctx.strokeRect(left - 2, top - 2, width + 4, height + 4);
      } else {
        const { x, y } = geometry.end(layer, at);
        ctx.beginPath();
        ctx.arc(x, y, 7, 0, 2 * Math.PI);
        ctx.stroke();
      }
    }
    ctx.restore();
  },
});
