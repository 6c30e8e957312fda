import type { Layer, Plan } from 'core/plan';
import { dashOf } from './dashes';
import { isArea, isBar, type Geometry, type Rect } from './geometry';
import { reduceLine } from './reduce-line';

const POINT = 3.5;
const MARKED_POINT = 5;
const FILL_ALPHA = '3d';
// Room for points at the edge; what lies far outside the axis does not show.
const SLACK = 8;
// Corners of so many points are too small to be seen round.
const DENSE = 1000;
// A long path that runs up and down is rastered slowly, in pieces of so many points a third faster.
const PIECE = 8;

/** Draws areas, or lines and points, from one side of the bars to the other: areas lie behind them, lines in front. */
export function paintLines(
  ctx: CanvasRenderingContext2D,
  plan: Plan,
  geometry: Geometry,
  { areas, room }: { areas: boolean; room: Rect },
): void {
  const layers = plan.layers.filter(layer => !isBar(layer) && isArea(layer) === areas);
  if (layers.length === 0) return;
  const [left, top, width, height] = room;
  const paths = layers.map(layer => new LinePath(layer, geometry, plan.lying, plan.lying ? height : width));
  ctx.save();
  // Clipping costs as much as a line does.
  if (paths.some(path => path.leaves(room))) {
    ctx.beginPath();
    ctx.rect(left - SLACK, top - SLACK, width + 2 * SLACK, height + 2 * SLACK);
    ctx.clip();
  }
  layers.forEach((layer, i) => paintLine(ctx, layer, paths[i] as LinePath, plan));
  // Points lie over all lines.
  for (const layer of layers) paintPoints(ctx, layer, geometry, plan);
  ctx.restore();
}

function paintLine(ctx: CanvasRenderingContext2D, layer: Layer, path: LinePath, plan: Plan): void {
  if (layer.shape === 'points') return;
  if (isArea(layer)) {
    ctx.fillStyle = `${layer.colour}${FILL_ALPHA}`;
    for (const run of path.runs) {
      ctx.beginPath();
      path.trace(ctx, run, layer.ends, false);
      path.traceBack(ctx, run);
      ctx.closePath();
      ctx.fill();
    }
  }
  ctx.strokeStyle = layer.colour;
  ctx.lineWidth = layer.stroke.width;
  ctx.lineJoin = plan.categories.length > DENSE ? 'bevel' : 'round';
  const dash = dashOf(layer.stroke.dash, layer.stroke.width);
  ctx.setLineDash(dash);
  // A dash goes on from one end to the other; an undashed line may come in pieces whose round ends meet.
  ctx.lineCap = dash.length ? 'butt' : 'round';
  for (const run of path.runs) {
    const length = dash.length ? run.length : PIECE;
    for (let from = 0; from === 0 || from < run.length - 1; from += length) {
      ctx.beginPath();
      path.trace(ctx, run.slice(from, from + length + 1), layer.ends, false);
      ctx.stroke();
    }
  }
  ctx.setLineDash([]);
}

/** A layer's points in runs without gaps, reduced to what shows at the plot's width. */
class LinePath {
  readonly runs: readonly (readonly number[])[];
  private readonly stepped: boolean;

  constructor(
    private readonly layer: Layer,
    private readonly geometry: Geometry,
    private readonly lying: boolean,
    widthPx: number,
  ) {
    this.stepped = layer.shape === 'step' || layer.shape === 'step-area';
    this.runs = runsOf(layer.ends, reduceLine(layer.ends, widthPx, layer.marked));
  }

  /** Whether any of it lies outside the plot: beyond a bound of the axis. */
  leaves([left, top, width, height]: Rect): boolean {
    const { layer, geometry, lying } = this;
    const [low, high] = lying ? [left, left + width] : [top, top + height];
    const beyond = (at: number): boolean => {
      const value = geometry.value(layer.panel, layer.axis, layer.ends[at] as number);
      return value < low - SLACK || value > high + SLACK;
    };
    return this.runs.some(run => run.some(beyond));
  }

  /** Goes along a run, forwards or back. */
  trace(ctx: CanvasRenderingContext2D, run: readonly number[], values: ArrayLike<number>, joins: boolean): void {
    const { layer, geometry } = this;
    let lastAlong = NaN;
    let lastValue = NaN;
    for (let i = 0; i < run.length; i++) {
      const at = run[i] as number;
      const along = geometry.along(at);
      const value = geometry.value(layer.panel, layer.axis, values[at] as number);
      if (i === 0) this.to(ctx, along, value, joins);
      else {
        if (this.stepped) {
          const middle = (lastAlong + along) / 2;
          this.to(ctx, middle, lastValue, true);
          this.to(ctx, middle, value, true);
        }
        this.to(ctx, along, value, true);
      }
      lastAlong = along;
      lastValue = value;
    }
  }

  /** Goes back along the bases of a stacked area, or along zero. */
  traceBack(ctx: CanvasRenderingContext2D, run: readonly number[]): void {
    const { bases, ends } = this.layer;
    this.trace(ctx, [...run].reverse(), bases ?? new Float64Array(ends.length), true);
  }

  private to(ctx: CanvasRenderingContext2D, along: number, value: number, joins: boolean): void {
    const x = this.lying ? value : along;
    const y = this.lying ? along : value;
    if (joins) ctx.lineTo(x, y);
    else ctx.moveTo(x, y);
  }
}

/** Kept points in stretches between missing values. */
function runsOf(values: Float64Array, kept: readonly number[]): number[][] {
  const runs: number[][] = [];
  let run: number[] | null = null;
  for (const at of kept) {
    const value = values[at] as number;
    if (value !== value) run = null;
    else if (run) run.push(at);
    else runs.push((run = [at]));
  }
  return runs;
}

/** Points show where they are the shape, where a cue marks them, and where no line reaches them; a glyph stands for its point. */
function paintPoints(ctx: CanvasRenderingContext2D, layer: Layer, geometry: Geometry, plan: Plan): void {
  const { ends, marked, shape, colours, stroke } = layer;
  const glyphed = new Set(layer.glyphs.flatMap(({ at, beyond }) => (beyond ? [] : [at])));
  ctx.strokeStyle = plan.livery.ground;
  ctx.lineWidth = 1;
  for (let at = 0; at < ends.length; at++) {
    const value = ends[at] as number;
    if (value !== value || (marked[at] === 0 && shape !== 'points' && !isAlone(ends, at))) continue;
    if (glyphed.has(at) || (shape === 'points' && stroke.marker !== '')) continue;
    const { x, y } = geometry.end(layer, at);
    ctx.fillStyle = colours[at] as string;
    ctx.beginPath();
    ctx.arc(x, y, marked[at] ? MARKED_POINT : POINT, 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
  }
}

const isAlone = (ends: Float64Array, at: number): boolean => Number.isNaN(ends[at - 1] ?? NaN) && Number.isNaN(ends[at + 1] ?? NaN);
