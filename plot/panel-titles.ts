import type { Plugin } from 'chart.js';
import type { Plan } from 'core/plan';
import { stripId, valueAxisId } from './chart-config';
import { fitted } from './shortened';

/** Names each panel in the strip above it. */
export const panelTitles = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'panelTitles',
  afterDatasetsDraw(chart) {
    const { panels, livery, lying } = planNow();
    if (panels.length < 2) return;
    const { ctx, chartArea } = chart;
    ctx.save();
    ctx.font = `650 12.5px ${livery.font}`;
    ctx.textBaseline = 'middle';
    ctx.textAlign = 'left';
    panels.forEach(({ title }, i) => {
      const [axis, strip] = [chart.scales[valueAxisId(i)], chart.scales[stripId(i)]];
      if (!axis || !strip) return;
      const [left, middle] = lying ? [axis.left, chartArea.top - 10] : [chartArea.left, (strip.top + strip.bottom) / 2];
      const width = lying ? axis.width : chartArea.width;
      ctx.fillStyle = livery.ink;
      ctx.fillText(
        fitted(title, width, text => ctx.measureText(text).width),
        left,
        middle,
      );
    });
    ctx.restore();
  },
});
