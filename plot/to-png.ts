import type { ChartPlan } from 'core/plan';
import { FigureDrawing } from './figure-drawing';
import { imagesReady } from './canvas/glyph-images';

/** How large a picture file is. */
export interface PngSize {
  /** CSS pixels of the figure; the file has `scale` times as many. */
  readonly width: number;
  readonly height: number;
  readonly scale: 1 | 2 | 4;
}

/** Draws a plan on a canvas of its own and gives it as a PNG file. Fonts must be there before. */
export async function toPng(plan: ChartPlan, { width, height, scale }: PngSize): Promise<Blob> {
  await imagesReady(Object.values(plan.pictures));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const drawing = new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: scale } });
  try {
    return await blobOf(canvas);
  } finally {
    drawing.destroy();
  }
}

const blobOf = (canvas: HTMLCanvasElement): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob(blob => (blob ? resolve(blob) : reject(new Error('the canvas is too large to be saved'))), 'image/png'),
  );
