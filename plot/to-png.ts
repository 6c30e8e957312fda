import type { Plan } from 'core/plan';
import { imagesReady } from './canvas/glyph-images';
import { drawStill } from './still';

/** How large a picture file is. */
export interface PngSize {
  /** CSS pixels of the figure; the file has `scale` times as many. */
  readonly width: number;
  readonly height: number;
  readonly scale: 1 | 2 | 4;
}

/** Draws a plan on a canvas of its own and gives it as a PNG file; a table is as large as its rows and columns need. Fonts must be there before. */
export async function toPng(plan: Plan, { width, height, scale }: PngSize): Promise<Blob> {
  await imagesReady(Object.values(plan.pictures));
  const canvas = document.createElement('canvas');
  if (plan.kind === 'table') {
    const { paintTable } = await import('./table/paint-table');
    paintTable(canvas, plan, { width: 0, height: null }, scale);
    return blobOf(canvas);
  }
  const drawing = drawStill(canvas, plan, { width, height }, scale);
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
