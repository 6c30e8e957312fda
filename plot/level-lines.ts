import type { Chart, Plugin } from 'chart.js';
import type { LinePlan, Plan } from 'core/plan';
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

/** Stretches of equal value; one over the whole plot where the line is one level. */
export function stretchesOf({ values }: LinePlan): { from: number; to: number; value: number }[] {
  const stretches: { from: number; to: number; value: number }[] = [];
  values.forEach((value, at) => {
    const last = stretches.at(-1);
    if (Number.isNaN(value)) return;
    if (last && last.to === at - 1 && last.value === value) last.to = at;
    else stretches.push({ from: at, to: at, value });
  });
  return stretches;
}

/** The one value of a line, or undefined where it has several. */
export function levelOf({ values }: Pick<LinePlan, 'values'>): number | undefined {
  const there = values.filter(value => value === value);
  return there.length > 0 && there.every(value => value === there[0]) ? there[0] : undefined;
}

function strokeLine({ ctx, chartArea }: Chart, line: LinePlan, geometry: Geometry, lying: boolean): void {
  ctx.strokeStyle = line.colour;
  ctx.lineWidth = line.stroke.width;
  ctx.setLineDash(dashOf(line.stroke.dash, line.stroke.width));
  const level = levelOf(line);
  const [start, end] = lying ? [chartArea.top, chartArea.bottom] : [chartArea.left, chartArea.right];
  const pieces = stretchesOf(line).map(({ from, to, value }) => ({
    from: geometry.along(from) - geometry.pitch / 2,
    to: geometry.along(to) + geometry.pitch / 2,
    value,
  }));
  for (const { from, to, value } of level === undefined ? pieces : [{ from: start, to: end, value: level }]) {
    const pixel = geometry.value(line.panel, line.axis, value);
    ctx.beginPath();
    ctx.moveTo(...(lying ? ([pixel, from] as const) : ([from, pixel] as const)));
    ctx.lineTo(...(lying ? ([pixel, to] as const) : ([to, pixel] as const)));
    ctx.stroke();
  }
  ctx.setLineDash([]);
}
