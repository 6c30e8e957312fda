import type { Plan } from 'core/plan';
import { FigureDrawing } from './figure-drawing';
import type { FigureSize } from './figure-size';

/** A figure that stands still on a canvas. */
export interface Still {
  destroy(): void;
}

/** Draws a figure once on a canvas, at a size in CSS pixels with so many device pixels to each. A table is cut at whole rows, and shrunk to its width. */
export function drawStill(canvas: HTMLCanvasElement, plan: Plan, size: FigureSize, ratio: number): Still {
  [canvas.width, canvas.height] = [size.width, size.height];
  if (plan.kind === 'chart') return new FigureDrawing(canvas, plan, { fixed: { responsive: false, devicePixelRatio: ratio } });
  let isGone = false;
  // What paints tables comes when the first one is drawn.
  void import('./table').then(({ paintTable }) => {
    if (!isGone) paintTable(canvas, plan, size, ratio);
  });
  return { destroy: () => (isGone = true) };
}
