import type { Plugin } from 'chart.js';
import type { Layer, Plan } from 'core/plan';
import { Geometry, isBar, type Rect } from './geometry';
import { paintLines } from './line-painter';

// Corners are rounded where a bar is wide enough to show it.
const RADIUS = 2;
const WIDE_ENOUGH = 6;
const HEAD = 5.5;

/**
 * Draws all marks: areas, then columns, stems and spans, then lines and points. Chart.js lays out the axes, and nothing of it stands behind
 * a mark: places follow from the axes, colours from the plan. Bars are filled colour by colour; one path for all bars of a colour would be
 * slower by far, since its fill looks for crossings.
 */
export const markPainter = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'markPainter',
  beforeDatasetsDraw(chart) {
    const plan = planNow();
    const { ctx, chartArea } = chart;
    const geometry = new Geometry(chart, plan);
    const room: Rect = [chartArea.left, chartArea.top, chartArea.width, chartArea.height];
    paintLines(ctx, plan, geometry, { areas: true, room });
    paintBars(ctx, plan, geometry);
    paintLines(ctx, plan, geometry, { areas: false, room });
  },
});

function paintBars(ctx: CanvasRenderingContext2D, plan: Plan, geometry: Geometry): void {
  ctx.save();
  for (const layer of plan.layers) {
    if (layer.shape === 'span') paintSpans(ctx, layer, geometry, plan);
    else if (isBar(layer)) paintLayer(ctx, layer, geometry, plan);
    paintOutlines(ctx, layer, geometry, plan);
  }
  ctx.restore();
}

function paintLayer(ctx: CanvasRenderingContext2D, layer: Layer, geometry: Geometry, { lying }: Plan): void {
  for (const [colour, items] of itemsByColour(layer.colours)) {
    ctx.fillStyle = colour;
    for (const at of items) {
      const box = geometry.box(layer, at);
      // A missing value has no place on the axis.
      if (!(box[2] > 0 && box[3] >= 0)) continue;
      fillBar(ctx, box, layer, at, lying);
      if (layer.shape === 'stem') fillHead(ctx, geometry, layer, at);
    }
  }
}

function itemsByColour(colours: readonly string[]): Map<string, number[]> {
  const items = new Map<string, number[]>();
  for (let at = 0; at < colours.length; at++) {
    const list = items.get(colours[at] as string);
    if (list) list.push(at);
    else items.set(colours[at] as string, [at]);
  }
  return items;
}

function fillBar(ctx: CanvasRenderingContext2D, [left, top, width, height]: Rect, layer: Layer, at: number, lying: boolean): void {
  if (layer.shape === 'stem' || (lying ? height : width) < WIDE_ENOUGH) return ctx.fillRect(left, top, width, height);
  ctx.beginPath();
  ctx.roundRect(left, top, width, height, cornersOf(layer, at, lying));
  ctx.fill();
}

/** Rounded at the end that shows the value, square at the base; within a stack only the size of a part is read. */
function cornersOf({ ends, bases }: Layer, at: number, lying: boolean): number[] {
  if (bases) return [0, 0, 0, 0];
  const rises = (ends[at] as number) >= 0;
  if (lying) return rises ? [0, RADIUS, RADIUS, 0] : [RADIUS, 0, 0, RADIUS];
  return rises ? [RADIUS, RADIUS, 0, 0] : [0, 0, RADIUS, RADIUS];
}

function fillHead(ctx: CanvasRenderingContext2D, geometry: Geometry, layer: Layer, at: number): void {
  const { x, y } = geometry.end(layer, at);
  ctx.beginPath();
  ctx.arc(x, y, Math.min(HEAD, Math.max(2, geometry.pitch * 0.36)), 0, 2 * Math.PI);
  ctx.fill();
}

function paintSpans(ctx: CanvasRenderingContext2D, layer: Layer, geometry: Geometry, plan: Plan): void {
  const { span, values } = layer;
  const boxes = Array.from(values, (_, at) => geometry.box(layer, at));
  if (span?.connectors) connect(ctx, boxes, plan);
  for (const box of boxes) {
    const [left, top, width, height] = box;
    if (Number.isNaN(left + top + width + height)) continue;
    ctx.fillStyle = span?.deep ? gradientOf(ctx, box, layer.colour, span.deep, plan.lying) : layer.colour;
    if (span?.whiskers) fillWhisker(ctx, box, plan.lying);
    else {
      ctx.beginPath();
      ctx.roundRect(left, top, width, height, RADIUS);
      ctx.fill();
    }
  }
}

function gradientOf(
  ctx: CanvasRenderingContext2D,
  [left, top, width, height]: Rect,
  low: string,
  high: string,
  lying: boolean,
): CanvasGradient {
  const gradient = lying ? ctx.createLinearGradient(left, 0, left + width, 0) : ctx.createLinearGradient(0, top + height, 0, top);
  gradient.addColorStop(0, low);
  gradient.addColorStop(1, high);
  return gradient;
}

/** A thin bar with a cap at each end. */
function fillWhisker(ctx: CanvasRenderingContext2D, [left, top, width, height]: Rect, lying: boolean): void {
  if (lying) {
    ctx.fillRect(left, top + height / 2 - 1, width, 2);
    for (const x of [left, left + width]) ctx.fillRect(x - 1, top + height * 0.2, 2, height * 0.6);
  } else {
    ctx.fillRect(left + width / 2 - 1, top, 2, height);
    for (const y of [top, top + height]) ctx.fillRect(left + width * 0.2, y - 1, width * 0.6, 2);
  }
}

/** Faint lines from each span's ends to its neighbour's. */
function connect(ctx: CanvasRenderingContext2D, boxes: readonly Rect[], { livery, lying }: Plan): void {
  ctx.strokeStyle = livery.hair;
  ctx.lineWidth = 1.5;
  ctx.beginPath();
  boxes.slice(1).forEach((box, i) => {
    const [a, b] = [boxes[i] as Rect, box];
    if (Number.isNaN(a[0] + a[1] + a[2] + a[3] + b[0] + b[1] + b[2] + b[3])) return;
    for (const far of [0, 1]) {
      ctx.moveTo(...(lying ? ([a[0] + far * a[2], a[1] + a[3]] as const) : ([a[0] + a[2], a[1] + far * a[3]] as const)));
      ctx.lineTo(...(lying ? ([b[0] + far * b[2], b[1]] as const) : ([b[0], b[1] + far * b[3]] as const)));
    }
  });
  ctx.stroke();
}

function paintOutlines(ctx: CanvasRenderingContext2D, layer: Layer, geometry: Geometry, { livery }: Plan): void {
  ctx.strokeStyle = livery.ink;
  ctx.lineWidth = 2;
  for (const at of layer.outlined) {
    if (isBar(layer)) {
      const [left, top, width, height] = geometry.box(layer, at);
      if (width > 0 && height > 0) ctx.strokeRect(left, top, width, height);
    } else {
      const { x, y } = geometry.end(layer, at);
      ctx.beginPath();
      ctx.arc(x, y, 7, 0, 2 * Math.PI);
      ctx.stroke();
    }
  }
}
