import type { Chart, Plugin } from 'chart.js';
import type { Box } from 'core/label';
import type { Plan } from 'core/plan';
import { stripId, valueAxisId } from './axis-ids';
import { fitted } from './shortened';

const titleFont = (family: string): string => `650 12.5px ${family}`;

/** Where the names of panels stand, so that no label stands on one. */
export function titleBoxes({ ctx, scales, chartArea }: Chart, { panels, livery, lying }: Plan): Box[] {
  if (panels.length < 2) return [];
  ctx.save();
  ctx.font = titleFont(livery.font);
  const boxes = panels.flatMap(({ title }, panel): Box[] => {
    const [axis, strip] = [scales[valueAxisId(panel)], scales[stripId(panel)]];
    if (!axis || !strip) return [];
    const middle = lying ? chartArea.top - 12 : (strip.top + strip.bottom) / 2;
    return [{ left: lying ? axis.left : chartArea.left, top: middle - 8, width: ctx.measureText(title).width, height: 16 }];
  });
  ctx.restore();
  return boxes;
}

/** Names each panel in the strip above it, and each value axis above its end where there are two. */
export const axisTitles = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'axisTitles',
  afterDatasetsDraw(chart) {
    const { panels, livery, lying } = planNow();
    const { ctx, chartArea } = chart;
    const measure = (text: string): number => ctx.measureText(text).width;
    ctx.save();
    ctx.textBaseline = 'middle';
    panels.forEach(({ title, axes }, panel) => {
      const [axis, strip] = [chart.scales[valueAxisId(panel)], chart.scales[stripId(panel)]];
      if (!axis) return;
      const [left, right] = lying ? [axis.left, axis.right] : [chartArea.left, chartArea.right];
      const middle = lying || !strip ? chartArea.top - 12 : (strip.top + strip.bottom) / 2;
      const write = (text: string, font: string, colour: string, align: 'left' | 'right', room: number): void => {
        ctx.font = font;
        ctx.fillStyle = colour;
        ctx.textAlign = align;
        ctx.fillText(fitted(text, room, measure), align === 'left' ? left : right, middle);
      };
      const [first, second] = axes;
      if (panels.length > 1) write(title, titleFont(livery.font), livery.ink, 'left', (right - left) * (second ? 0.6 : 1));
      else if (first?.title) write(first.title, `600 12px ${livery.font}`, livery.soft, 'left', (right - left) / 2);
      if (second?.title)
        write(second.title, `600 12px ${livery.font}`, livery.soft, 'right', (right - left) * (panels.length > 1 ? 0.38 : 0.5));
    });
    ctx.restore();
  },
});
