import type { Chart, Plugin } from 'chart.js';
import { glyphOf, type Glyph } from 'core/glyph';
import type { GlyphAsk, Layer, Plan } from 'core/plan';
import { Geometry, isBar, type CanvasPoint } from './geometry';
import { imageOf } from './glyph-images';

/** Half the size of a glyph in CSS pixels. */
export const GLYPH = 6.5;
const MARKER = 3.5;

/** Draws the glyphs at marks, and the markers of lines. */
export const glyphPainter = (planNow: () => Plan): Plugin<'bar'> => ({
  id: 'glyphPainter',
  afterDatasetsDraw(chart) {
    const plan = planNow();
    const { ctx } = chart;
    const geometry = new Geometry(chart, plan);
    ctx.save();
    for (const layer of plan.layers) {
      if (layer.stroke.marker && layer.rows.length < 200) paintMarkers(chart, layer, geometry, plan);
      for (const ask of layer.glyphs) {
        const at = glyphPlace(layer, ask, geometry, plan.lying);
        if (at) drawGlyph(chart, ask.glyph, at, sizeIn(geometry), ask.colour, plan);
      }
    }
    ctx.restore();
  },
});

/** Glyphs never grow wider than their category, nor too small to tell. */
const sizeIn = ({ pitch }: Geometry): number => Math.max(3.5, Math.min(GLYPH, pitch * 0.45));

/** On a point; beyond the end of a bar, or where a label would stand. Null where the value is missing. */
export function glyphPlace(
  layer: Layer,
  { at, beyond }: Pick<GlyphAsk, 'at' | 'beyond'>,
  geometry: Geometry,
  lying: boolean,
): CanvasPoint | null {
  const value = layer.ends[at] as number;
  if (Number.isNaN(value)) return null;
  const { x, y } = geometry.end(layer, at);
  if (!isBar(layer) && !beyond) return { x, y };
  const away = (sizeIn(geometry) + (beyond ? 8 : 5)) * ((layer.values[at] as number) < 0 ? -1 : 1);
  return lying ? { x: x + away, y } : { x, y: y - away };
}

function paintMarkers(chart: Chart, layer: Layer, geometry: Geometry, plan: Plan): void {
  layer.ends.forEach((value, at) => {
    if (value === value) drawGlyph(chart, layer.stroke.marker, geometry.end(layer, at), MARKER, layer.colour, plan);
  });
}

/** One glyph: of the set, or a picture of the analyst's own once it is there. */
export function drawGlyph(chart: Chart, name: string, { x, y }: CanvasPoint, size: number, colour: string, plan: Plan): void {
  const glyph = glyphOf(name);
  const { ctx } = chart;
  if (glyph) return drawStamp(ctx, stampOf(glyph, size, colour, plan.livery.ground, chart.currentDevicePixelRatio), x, y);
  const source = plan.pictures[name];
  const image = source === undefined ? null : imageOf(source, () => chart.draw());
  if (image) ctx.drawImage(image, x - size * 1.3, y - size * 1.3, size * 2.6, size * 2.6);
}

/** A glyph drawn once, to be put down hundreds of times: half its side in CSS pixels, and how many device pixels one of these has. */
interface Stamp {
  readonly image: HTMLCanvasElement;
  readonly half: number;
  readonly scale: number;
}

const stamps = new Map<string, Stamp>();
const MOST_STAMPS = 200;

function stampOf(glyph: Glyph, size: number, colour: string, ground: string, scale: number): Stamp {
  const key = [glyph.path, size, colour, ground, scale].join('|');
  let stamp = stamps.get(key);
  if (!stamp) {
    if (stamps.size >= MOST_STAMPS) stamps.clear();
    stamps.set(key, (stamp = makeStamp(glyph, size, colour, ground, scale)));
  }
  return stamp;
}

function makeStamp(glyph: Glyph, size: number, colour: string, ground: string, scale: number): Stamp {
  // The halo reaches up to two and a half pixels beyond.
  const half = Math.ceil(size + 2.5);
  const image = document.createElement('canvas');
  image.width = image.height = Math.ceil(2 * half * scale);
  const context = image.getContext('2d') as CanvasRenderingContext2D;
  context.scale(scale, scale);
  drawPath(context, glyph, half, half, size, colour, ground);
  return { image, half, scale };
}

/** On whole device pixels, so that it stays as crisp as it was drawn. */
function drawStamp(ctx: CanvasRenderingContext2D, { image, half, scale }: Stamp, x: number, y: number): void {
  const whole = (value: number): number => Math.round((value - half) * scale) / scale;
  ctx.drawImage(image, whole(x), whole(y), image.width / scale, image.height / scale);
}

// Path data is read once.
const paths = new Map<string, Path2D>();

/** @param halo colour of a thin edge that keeps the glyph apart from what lies under it; none when empty */
export function drawPath(
  ctx: CanvasRenderingContext2D,
  { path, stroke }: { readonly path: string; readonly stroke?: boolean },
  x: number,
  y: number,
  size: number,
  colour: string,
  halo: string,
): void {
  let shape = paths.get(path);
  if (!shape) paths.set(path, (shape = new Path2D(path)));
  ctx.save();
  ctx.translate(x, y);
  ctx.scale(size, size);
  ctx.lineJoin = 'round';
  ctx.lineCap = 'round';
  if (halo) {
    ctx.strokeStyle = halo;
    ctx.lineWidth = (stroke ? 5 : 3) / size;
    ctx.stroke(shape);
  }
  if (stroke) {
    ctx.strokeStyle = colour;
    ctx.lineWidth = 2.2 / size;
    ctx.stroke(shape);
  } else {
    ctx.fillStyle = colour;
    ctx.fill(shape);
  }
  ctx.restore();
}
