import type { Plan } from 'core/plan';
import { imagesReady } from '../canvas/glyph-images';
import { pageBrushes } from '../canvas/page-brushes';
import { paintStill } from '../canvas/paint-still';
import { TextWidths } from '../canvas/text-widths';
import type { FigureSize } from '../figure-size';
import { layOut, layOutTable } from '../headless';
import type { Scene } from '../scene/scene';

/** How a picture file is made. */
export interface PngWishes {
  /** Pixels of the file to each CSS pixel. */
  readonly scale: number;
  /** No ground: what lies beneath shows through. */
  readonly transparent?: boolean;
}

/** A plan laid out as the page writes its letters: a chart at its size, a table as large as its rows and columns need. Fonts must be there before. */
export function pageScene(plan: Plan, size: FigureSize): Promise<Scene> {
  const ctx = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
  const widths = new TextWidths().on(ctx, plan.livery.font);
  return plan.kind === 'table' ? layOutTable(plan, { width: 0, height: null }, widths) : Promise.resolve(layOut(plan, size, widths));
}

/** A laid-out figure as a PNG file. */
export async function toPng(scene: Scene, { scale, transparent = false }: PngWishes): Promise<Blob> {
  await imagesReady(Object.values(scene.pictures));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(scene.width * scale), Math.round(scene.height * scale)];
  const ctx = canvas.getContext('2d') as CanvasRenderingContext2D;
  paintStill({ ctx, brushes: pageBrushes(() => undefined), ratio: scale }, scene, transparent);
  return blobOf(canvas);
}

const blobOf = (canvas: HTMLCanvasElement): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob(blob => (blob ? resolve(blob) : reject(new Error('the canvas is too large to be saved'))), 'image/png'),
  );
