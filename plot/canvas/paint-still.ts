import type { Scene } from '../scene/scene';
import type { Canvas } from './brushes';
import { paintScene } from './paint-scene';

/** Paints a scene on an empty canvas that has `ratio` pixels to each of the scene's, on its ground or on none. */
export function paintStill(canvas: Canvas, scene: Scene, transparent: boolean): void {
  const { ctx, ratio } = canvas;
  ctx.save();
  ctx.scale(ratio, ratio);
  if (!transparent) {
    ctx.fillStyle = scene.ground;
    ctx.fillRect(0, 0, scene.width, scene.height);
  }
  paintScene(canvas, scene);
  ctx.restore();
}
