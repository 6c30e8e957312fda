import type { Chart, Plugin } from 'chart.js';
import type { Plan } from 'core/plan';

/** A bar as Chart.js has placed it, in CSS pixels. */
export interface PlacedBar {
  readonly x: number;
  readonly y: number;
  readonly base: number;
  readonly width: number;
  readonly height: number;
}

/** Left, top, width and height of a placed bar. */
export function boxOfBar({ x, y, base, width, height }: PlacedBar, lying: boolean): [number, number, number, number] {
  return lying
    ? [Math.min(x, base), y - height / 2, Math.abs(x - base), height]
    : [x - width / 2, Math.min(y, base), width, Math.abs(y - base)];
}

// Corners are rounded where a bar is wide enough to show it.
const RADIUS = 2;
const WIDE_ENOUGH = 6;

/**
 * Fills the bars, colour by colour: Chart.js places them with one set of options for all, which costs a fraction of
 * options per bar, and colours stay a matter of the plan. One path for all bars of a colour would be slower by far: its
 * fill looks for crossings.
 */
export const barPainter = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'barPainter',
  beforeDatasetDraw(chart, { index }) {
    const plan = planNow();
    if (plan.layers[index]?.shape !== 'column') return;
    paint(chart, index, plan);
    return false;
  },
});

function paint(chart: Chart, index: number, { layers, lying }: Plan): void {
  const placed = chart.getDatasetMeta(index).data as unknown as readonly PlacedBar[];
  const { ctx } = chart;
  ctx.save();
  for (const [colour, rows] of rowsByColour(layers[index]?.colours ?? [])) {
    ctx.fillStyle = colour;
    for (const row of rows) if (placed[row]) fillBar(ctx, placed[row], lying);
  }
  ctx.restore();
}

function rowsByColour(colours: readonly string[]): Map<string, number[]> {
  const rows = new Map<string, number[]>();
  for (let row = 0; row < colours.length; row++) {
    const list = rows.get(colours[row] as string);
    if (list) list.push(row);
    else rows.set(colours[row] as string, [row]);
  }
  return rows;
}

function fillBar(ctx: CanvasRenderingContext2D, bar: PlacedBar, lying: boolean): void {
  const [left, top, width, height] = boxOfBar(bar, lying);
  // A missing value has no place on the axis.
  if (!(width > 0 && height > 0)) return;
  if ((lying ? height : width) < WIDE_ENOUGH) return ctx.fillRect(left, top, width, height);
  ctx.beginPath();
  ctx.roundRect(left, top, width, height, cornersOf(bar, lying));
  ctx.fill();
}

/** Rounded at the end that shows the value, square at the base. */
function cornersOf({ x, y, base }: PlacedBar, lying: boolean): number[] {
  if (lying) return x >= base ? [0, RADIUS, RADIUS, 0] : [RADIUS, 0, 0, RADIUS];
  return y <= base ? [RADIUS, RADIUS, 0, 0] : [0, 0, RADIUS, RADIUS];
}
