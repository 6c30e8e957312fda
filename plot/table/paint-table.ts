import type { TablePlan } from 'core/plan';
import { pageBrushes } from '../canvas/page-brushes';
import { paintScene } from '../canvas/paint-scene';
import { TextWidths } from '../canvas/text-widths';
import { tableScene } from './table-scene';

/** Draws a table on a canvas; `height` null: as high as its rows need, and as wide as its columns do. Gives its size in CSS pixels. */
export function paintTable(
  canvas: HTMLCanvasElement,
  plan: TablePlan,
  { width, height }: { readonly width: number; readonly height: number | null },
  ratio: number,
): { readonly width: number; readonly height: number } {
  const ctx = canvas.getContext('2d') as CanvasRenderingContext2D;
  const measure = new TextWidths().on(ctx, plan.livery.font);
  const natural = tableScene(plan, { width, height }, measure);
  // A table wider than its picture is laid out in full and drawn smaller.
  const shrunk = height === null ? 1 : Math.min(1, width / natural.width);
  const scene = shrunk < 1 ? tableScene(plan, { width, height: (height ?? 0) / shrunk }, measure) : natural;
  const size = height === null ? { width: scene.width, height: scene.height } : { width, height };
  [canvas.width, canvas.height] = [Math.round(size.width * ratio), Math.round(size.height * ratio)];
  ctx.scale(ratio * shrunk, ratio * shrunk);
  ctx.fillStyle = plan.livery.ground;
  ctx.fillRect(0, 0, size.width / shrunk, size.height / shrunk);
  paintScene({ ctx, brushes: pageBrushes(() => undefined), ratio: ratio * shrunk }, scene);
  return size;
}
