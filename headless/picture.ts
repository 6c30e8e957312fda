import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { type Scene } from 'plot';
import { paintStill } from 'plot/files';
import { brushesOf, decoded, writeInShipped } from './canvas-brushes';
import type { ShippedFonts } from './shipped-fonts';

/** How a picture file is made. */
export interface PictureWishes {
  /** Pixels of the file to each CSS pixel. */
  readonly scale: number;
  readonly transparent: boolean;
}

/** A laid-out figure as a PNG file, as a browser would paint it. Cost: O(marks and pixels). */
export async function scenePng(scene: Scene, fonts: ShippedFonts, { scale, transparent }: PictureWishes): Promise<Uint8Array> {
  const canvas = createCanvas(Math.round(scene.width * scale), Math.round(scene.height * scale));
  const ctx = canvas.getContext('2d');
  fonts.register((bytes, family) => GlobalFonts.register(bytes, family));
  writeInShipped(ctx, fonts);
  const brushes = brushesOf(await decoded(scene.pictures));
  paintStill({ ctx: ctx as unknown as CanvasRenderingContext2D, brushes, ratio: scale }, scene, transparent);
  return canvas.encode('png');
}
