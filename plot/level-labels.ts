import type { Chart } from 'chart.js';
import { overlaps, type Box } from 'core/label';
import type { LinePlan, Plan } from 'core/plan';
import type { Geometry } from './geometry';
import { lastLevel } from './level-lines';

const SIZE = 12.5;
const HEIGHT = SIZE + 2;
// A label in the margin is broken into two lines at most this wide.
const MARGIN = 96;

/** Level lines are named beside the plot where its marks have labels of their own, so that nothing collides. */
export const hasMarginLabels = ({ lines, layers, categories, lying }: Plan): boolean =>
  !lying && lines.some(line => line.label) && layers.some(layer => layer.labels.length > categories.length / 3);

/** Room that labels in the margin need, in CSS pixels. */
export const marginRoom = (plan: Plan): number => (hasMarginLabels(plan) ? MARGIN + 8 : 0);

/** Writes the labels of level lines: a little above an end of their line, or beside it in the margin. */
export function writeLevelLabels(chart: Chart, plan: Plan, geometry: Geometry, labels: readonly Box[]): void {
  const { ctx } = chart;
  ctx.font = `600 ${SIZE}px ${plan.livery.font}`;
  ctx.textBaseline = 'middle';
  ctx.textAlign = 'left';
  const taken = [...labels];
  const marks = new MarkBoxes(plan, geometry);
  for (const line of plan.lines) {
    const last = lastLevel(line);
    if (!line.label || last === undefined) continue;
    const pixel = geometry.value(line.panel, line.axis, last);
    if (hasMarginLabels(plan)) writeBeside(chart, line, pixel, taken);
    else writeAbove(chart, line, pixel, plan, marks, taken);
  }
}

function writeBeside({ ctx, chartArea }: Chart, { label, colour }: LinePlan, pixel: number, taken: Box[]): void {
  const rows = brokenIn(label, text => ctx.measureText(text).width);
  const height = rows.length * HEIGHT;
  let box: Box = { left: chartArea.right + 6, top: pixel - height / 2, width: MARGIN, height };
  while (taken.some(other => overlaps(other, box))) box = { ...box, top: box.top + 2 };
  taken.push(box);
  ctx.fillStyle = colour;
  rows.forEach((row, i) => ctx.fillText(row, box.left, box.top + HEIGHT * (i + 0.5)));
}

/** Words in lines no wider than the margin, the value last. */
function brokenIn(label: string, measure: (text: string) => number): string[] {
  const rows: string[] = [];
  for (const word of label.split(' ')) {
    const longer = rows.length ? `${rows.at(-1)} ${word}` : word;
    if (rows.length && measure(longer) <= MARGIN) rows[rows.length - 1] = longer;
    else rows.push(word);
  }
  return rows;
}

/** Above the right end, or the left, or below either: the first place that covers neither a label nor a mark. */
function writeAbove(chart: Chart, line: LinePlan, pixel: number, plan: Plan, marks: MarkBoxes, taken: Box[]): void {
  const { ctx, chartArea, width } = chart;
  const wide = ctx.measureText(line.label).width;
  const [left, right] = [chartArea.left + 2, chartArea.right - wide - 2];
  const [above, below] = [pixel - SIZE - 5, pixel + 4];
  const places = plan.lying
    ? [pixel + 6, pixel - wide - 6].map(x => ({
        left: Math.max(chartArea.left, Math.min(x, width - wide - 4)),
        top: chartArea.top - SIZE - 4,
      }))
    : [
        { left: right, top: above },
        { left, top: above },
        { left: right, top: below },
        { left, top: below },
      ];
  const boxes = places.map(place => ({ ...place, width: wide, height: HEIGHT }));
  const clear = (box: Box, others: readonly Box[]): boolean => !others.some(other => overlaps(other, box));
  const wanted: Box = boxes[0] ?? { left, top: above, width: wide, height: HEIGHT };
  const free = boxes.filter(item => clear(item, taken));
  const box = free.find(item => clear(item, marks.of(line.panel))) ?? free[0] ?? wanted;
  taken.push(box);
  haloText(ctx, line.label, box.left, box.top + HEIGHT / 2, plan.livery.ground);
  ctx.fillStyle = line.colour;
  ctx.fillText(line.label, box.left, box.top + HEIGHT / 2);
}

/** Bars near the ends of the axis, where labels of lines may stand; looked up once per panel. */
class MarkBoxes {
  private readonly byPanel = new Map<number, Box[]>();

  constructor(
    private readonly plan: Plan,
    private readonly geometry: Geometry,
  ) {}

  of(panel: number): Box[] {
    let boxes = this.byPanel.get(panel);
    if (!boxes) this.byPanel.set(panel, (boxes = this.plan.lying ? [] : this.boxesIn(panel)));
    return boxes;
  }

  private boxesIn(panel: number): Box[] {
    const { layers, categories } = this.plan;
    const near = Math.ceil(200 / Math.max(1, this.geometry.pitch));
    const last = categories.length - near;
    const ends = [...categories.keys()].filter(at => at < near || at >= last);
    return layers
      .filter(layer => layer.panel === panel && layer.slot >= 0)
      .flatMap(layer => ends.map(at => this.geometry.box(layer, at)))
      .filter(([left, top, width, height]) => !Number.isNaN(left + top + width + height))
      .map(([left, top, width, height]) => ({ left, top, width, height }));
  }
}

/** A wide stroke in the ground's colour that keeps text apart from lines behind it. */
export function haloText(ctx: CanvasRenderingContext2D, text: string, x: number, y: number, ground: string): void {
  ctx.lineJoin = 'round';
  ctx.strokeStyle = ground;
  ctx.lineWidth = 4;
  ctx.strokeText(text, x, y);
}
