import type { Plugin } from 'chart.js';
import type { BandPlan, Plan } from 'core/plan';
import { Geometry } from './geometry';

const FILL_ALPHA = '33';

/** Draws bands behind the marks. */
export const bandPainter = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'bandPainter',
  beforeDatasetsDraw(chart) {
    const plan = planNow();
    const { ctx } = chart;
    ctx.save();
    const { left, top, width, height } = chart.chartArea;
    ctx.beginPath();
    ctx.rect(left, top, width, height);
    ctx.clip();
    const geometry = new Geometry(chart, plan);
    for (const band of plan.bands) paintBand(ctx, band, new BandPlaces(band, geometry, plan.lying), geometry.pitch);
    ctx.restore();
  },
});

/** Where a band's ends lie, upright or lying. */
class BandPlaces {
  constructor(
    readonly band: BandPlan,
    private readonly geometry: Geometry,
    private readonly lying: boolean,
  ) {}

  point(along: number, value: number): [number, number] {
    const pixel = this.geometry.value(this.band.panel, this.band.axis, value);
    return this.lying ? [pixel, along] : [along, pixel];
  }

  /** Middle of a category, or so many pixels beside it. */
  along(at: number, beside = 0): number {
    return this.geometry.along(at) + beside;
  }
}

function paintBand(ctx: CanvasRenderingContext2D, band: BandPlan, places: BandPlaces, pitch: number): void {
  const there = Array.from(band.low.keys()).filter(at => !Number.isNaN((band.low[at] as number) + (band.high[at] as number)));
  ctx.fillStyle = `${band.colour}${FILL_ALPHA}`;
  ctx.strokeStyle = band.colour;
  switch (band.style) {
    case 'filled':
      for (const run of runsOf(there)) fillRun(ctx, run, band, places, pitch);
      return;
    case 'edges':
      ctx.lineWidth = 1.5;
      for (const run of runsOf(there)) for (const values of [band.low, band.high]) strokeRun(ctx, run, values, places, pitch);
      return;
    case 'boxes':
      for (const at of there) fillBox(ctx, at, band, places, pitch * 0.86);
      return;
    case 'whiskers':
    case 'sticks':
      ctx.lineWidth = band.style === 'sticks' ? 3 : 1.5;
      for (const at of there) strokeStick(ctx, at, band, places, band.style === 'whiskers' ? Math.min(10, pitch * 0.4) : 0);
      return;
    case 'dots':
      ctx.fillStyle = band.colour;
      for (const at of there)
        for (const value of [band.low[at], band.high[at]]) fillDot(ctx, places.point(places.along(at), value as number));
      return;
  }
}

/** Neighbouring categories that have a band, run by run: a missing value leaves a gap. */
function runsOf(there: readonly number[]): number[][] {
  const runs: number[][] = [];
  for (const at of there) {
    const last = runs.at(-1);
    if (last?.at(-1) === at - 1) last?.push(at);
    else runs.push([at]);
  }
  return runs;
}

/** A run reaches to the outer edges of its first and last category, so that one category alone still shows. */
function pathOf(run: readonly number[], values: Float64Array, places: BandPlaces, pitch: number): [number, number][] {
  const [first, last] = [run[0] as number, run.at(-1) as number];
  return [
    places.point(places.along(first, -pitch / 2), values[first] as number),
    ...run.map(at => places.point(places.along(at), values[at] as number)),
    places.point(places.along(last, pitch / 2), values[last] as number),
  ];
}

function fillRun(ctx: CanvasRenderingContext2D, run: readonly number[], band: BandPlan, places: BandPlaces, pitch: number): void {
  trace(ctx, [...pathOf(run, band.high, places, pitch), ...pathOf(run, band.low, places, pitch).reverse()]);
  ctx.fill();
}

function strokeRun(ctx: CanvasRenderingContext2D, run: readonly number[], values: Float64Array, places: BandPlaces, pitch: number): void {
  trace(ctx, pathOf(run, values, places, pitch));
  ctx.stroke();
}

function trace(ctx: CanvasRenderingContext2D, points: readonly [number, number][]): void {
  ctx.beginPath();
  points.forEach(([x, y], i) => (i ? ctx.lineTo(x, y) : ctx.moveTo(x, y)));
}

function fillBox(ctx: CanvasRenderingContext2D, at: number, { low, high }: BandPlan, places: BandPlaces, width: number): void {
  const [a, b] = [places.along(at, -width / 2), places.along(at, width / 2)];
  const [l, h] = [low[at] as number, high[at] as number];
  trace(ctx, [places.point(a, l), places.point(a, h), places.point(b, h), places.point(b, l)]);
  ctx.fill();
}

function strokeStick(ctx: CanvasRenderingContext2D, at: number, { low, high }: BandPlan, places: BandPlaces, cap: number): void {
  const middle = places.along(at);
  trace(ctx, [places.point(middle, low[at] as number), places.point(middle, high[at] as number)]);
  ctx.stroke();
  if (cap === 0) return;
  for (const value of [low[at], high[at]] as number[]) {
    trace(ctx, [places.point(middle - cap / 2, value), places.point(middle + cap / 2, value)]);
    ctx.stroke();
  }
}

function fillDot(ctx: CanvasRenderingContext2D, [x, y]: [number, number]): void {
  ctx.beginPath();
  ctx.arc(x, y, 3, 0, 2 * Math.PI);
  ctx.fill();
}
