import { loadImage, Path2D, type Image, type SKRSContext2D } from '@napi-rs/canvas';
import { glyphOf } from 'core/glyph';
import { drawPath, fontIn, letterMiddle, type Brushes } from 'plot/files';
import type { ShippedFonts } from './shipped-fonts';

// A picture is a little larger than a glyph: it has air of its own.
const PICTURE = 1.3;

const paths = new Map<string, Path2D>();
const pathOf = (data: string): Path2D => {
  let path = paths.get(data);
  if (!path) paths.set(data, (path = new Path2D(data)));
  return path;
};

/** The analyst's own pictures, decoded; one that is broken is left out. */
export async function decoded(pictures: Readonly<Record<string, string>>): Promise<ReadonlyMap<string, Image>> {
  const images = await Promise.all(
    Object.values(pictures).map(async source => {
      const comma = source.indexOf(',');
      const bytes = Buffer.from(source.slice(comma + 1), source.slice(0, comma).endsWith(';base64') ? 'base64' : 'utf8');
      // Read from its bytes: nothing is fetched.
      return [source, await loadImage(bytes).catch(() => null)] as const;
    }),
  );
  return new Map(images.filter((item): item is readonly [string, Image] => item[1] !== null));
}

/** Glyphs and pictures on a canvas without a screen. */
export const brushesOf = (images: ReadonlyMap<string, Image>): Brushes => ({
  glyph({ ctx }, { glyph, x, y, size, colour, ground, picture }) {
    const known = glyphOf(glyph);
    if (known) return drawPath(ctx, known, { x, y, size, colour, halo: ground }, data => pathOf(data));
    const image = picture === undefined ? undefined : images.get(picture);
    const half = size * PICTURE;
    if (image) ctx.drawImage(image as never, x - half, y - half, 2 * half, 2 * half);
  },
});

/** Texts are written in the shipped files, each stretch in the first that has its letters, in their very weight. */
export function writeInShipped(ctx: SKRSContext2D, fonts: ShippedFonts): void {
  const plain = ctx.fillText.bind(ctx);
  ctx.fillText = (text: string, x: number, y: number) => {
    const font = fontIn(ctx.font);
    const runs = fonts.runs(text, font);
    const width = runs.reduce((sum, run) => sum + run.width, 0) * font.size;
    const base = y + letterMiddle(ctx.font) * font.size;
    const align = ctx.textAlign;
    let left = align === 'center' ? x - width / 2 : align === 'right' ? x - width : x;
    ctx.save();
    ctx.textAlign = 'left';
    ctx.textBaseline = 'alphabetic';
    for (const run of runs) {
      const own = run.width * font.size;
      ctx.font = `${font.size}px ${run.family ?? FALLBACK}`;
      ctx.fontVariationSettings = `"wght" ${font.weight}`;
      // Letters of a font that is not ours have whatever width that has: they must not run into what follows.
      if (run.family === null) plain(run.text, left, base, own);
      else plain(run.text, left, base);
      left += own;
    }
    ctx.restore();
  };
}

// What stands in where no shipped file has a letter.
const FALLBACK = 'sans-serif';
