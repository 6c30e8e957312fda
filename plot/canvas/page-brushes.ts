import { glyphOf, type Glyph } from 'core/glyph';
import type { Brushes, GlyphStroke } from './brushes';
import { drawPath } from './draw-path';
import { imageOf } from './glyph-images';

/** A glyph drawn once, to be put down hundreds of times: half its side in CSS pixels, and how many device pixels one of these has. */
interface Stamp {
  readonly image: HTMLCanvasElement;
  readonly half: number;
  readonly scale: number;
}

const stamps = new Map<string, Stamp>();
const MOST_STAMPS = 200;
// A picture is a little larger than a glyph: it has air of its own.
const PICTURE = 1.3;

/** Glyphs from stamps, pictures as the page decodes them; `again` is called when a picture that was not there yet has come. */
export const pageBrushes = (again: () => void): Brushes => ({
  glyph({ ctx, ratio }, stroke) {
    const glyph = glyphOf(stroke.glyph);
    if (glyph) return putDown(ctx, stampOf(glyph, stroke, ratio), stroke);
    const image = stroke.picture === undefined ? null : imageOf(stroke.picture, again);
    const half = stroke.size * PICTURE;
    if (image) ctx.drawImage(image, stroke.x - half, stroke.y - half, 2 * half, 2 * half);
  },
});

function stampOf(glyph: Glyph, stroke: GlyphStroke, scale: number): Stamp {
  const key = [glyph.path, stroke.size, stroke.colour, stroke.ground, scale].join('|');
  let stamp = stamps.get(key);
  if (!stamp) {
    if (stamps.size >= MOST_STAMPS) stamps.clear();
    stamps.set(key, (stamp = makeStamp(glyph, stroke, scale)));
  }
  return stamp;
}

function makeStamp(glyph: Glyph, { size, colour, ground }: GlyphStroke, scale: number): Stamp {
  // The halo reaches up to two and a half pixels beyond.
  const half = Math.ceil(size + 2.5);
  const image = document.createElement('canvas');
  image.width = image.height = Math.ceil(2 * half * scale);
  const context = image.getContext('2d');
  context?.scale(scale, scale);
  if (context) drawPath(context, glyph, { x: half, y: half, size, colour, halo: ground });
  return { image, half, scale };
}

/** On whole device pixels, so that it stays as crisp as it was drawn. */
function putDown(ctx: CanvasRenderingContext2D, { image, half, scale }: Stamp, { x, y }: GlyphStroke): void {
  const whole = (value: number): number => Math.round((value - half) * scale) / scale;
  ctx.drawImage(image, whole(x), whole(y), image.width / scale, image.height / scale);
}
