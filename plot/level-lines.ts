import type { Chart, Plugin } from 'chart.js';
import type { LinePlan, Plan } from 'core/plan';
import { levelIn } from 'core/table';
import { dashOf } from './dashes';
import { Geometry } from './geometry';

/** Draws level lines over the marks; their labels are written with the others. */
export const levelLines = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'levelLines',
  afterDatasetsDraw(chart) {
    const plan = planNow();
    if (plan.lines.length === 0) return;
    const { ctx } = chart;
    const geometry = new Geometry(chart, plan);
    ctx.save();
    for (const line of plan.lines) strokeLine(chart, line, geometry, plan.lying);
    ctx.restore();
  },
});

function piecesOf(line: LinePlan, geometry: Geometry): { from: number; to: number; value: number }[] {
  return stretchesOf(line).map(({ from, to, value }) => ({
    from: geometry.along(from) - geometry.pitch / 2,
    to: geometry.along(to) + geometry.pitch / 2,
    value,
  }));
}

/** Stretches of equal value. */
function stretchesOf({ values }: LinePlan): { from: number; to: number; value: number }[] {
  const stretches: { from: number; to: number; value: number }[] = [];
  values.forEach((value, at) => {
    const last = stretches.at(-1);
    if (Number.isNaN(value)) return;
    if (last && last.to === at - 1 && last.value === value) last.to = at;
    else stretches.push({ from: at, to: at, value });
  });
  return stretches;
}

/** The value at the right end of a line; undefined where it has none. */
export function lastLevel({ values }: LinePlan): number | undefined {
  return values.findLast(value => value === value);
}

function strokeLine({ ctx, chartArea }: Chart, line: LinePlan, geometry: Geometry, lying: boolean): void {
  ctx.strokeStyle = line.colour;
  ctx.lineWidth = line.stroke.width;
  ctx.setLineDash(dashOf(line.stroke.dash, line.stroke.width));
  const level = levelIn(line.values);
  const [start, end] = lying ? [chartArea.top, chartArea.bottom] : [chartArea.left, chartArea.right];
  const whole = { from: start, to: end, value: level as number };
  for (const { from, to, value } of typeof level === 'number' ? [whole] : piecesOf(line, geometry)) {
    const pixel = geometry.value(line.panel, line.axis, value);
    ctx.beginPath();
    ctx.moveTo(...(lying ? ([pixel, from] as const) : ([from, pixel] as const)));
    ctx.lineTo(...(lying ? ([pixel, to] as const) : ([to, pixel] as const)));
    ctx.stroke();
  }
  ctx.setLineDash([]);
}
