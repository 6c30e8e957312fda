import type { ChartPlan } from 'core/plan';
import type { Canvas } from './canvas/brushes';
import { pageBrushes } from './canvas/page-brushes';
import { paintScene } from './canvas/paint-scene';
import { tinyLayout } from './scene/layout';
import { TINY } from './scene/looks';
import { sceneOf } from './scene/scene-of';

/** A plan in a few dozen pixels: marks, level lines and bands of its first panel and axis, no words. For previews. */
export function drawTiny(ctx: CanvasRenderingContext2D, plan: ChartPlan, width: number, height: number, ratio = 1): void {
  ctx.fillStyle = plan.livery.ground;
  ctx.fillRect(0, 0, width, height);
  const shown = firstPanel(plan);
  if (!shown || plan.categories.length === 0) return;
  const canvas: Canvas = { ctx, brushes: pageBrushes(() => undefined), ratio };
  // Without words nothing is measured.
  paintScene(
    canvas,
    sceneOf(shown, tinyLayout(shown, width, height), () => 0, TINY),
  );
}

function firstPanel(plan: ChartPlan): ChartPlan | null {
  const [panel] = plan.panels;
  const [first] = panel?.axes ?? [];
  if (!panel || !first) return null;
  const isFirst = ({ axis }: { readonly axis: number }): boolean => axis === 0;
  const { layers, levelLines, bands } = panel;
  return {
    ...plan,
    panels: [
      { ...panel, axes: [first], layers: layers.filter(isFirst), levelLines: levelLines.filter(isFirst), bands: bands.filter(isFirst) },
    ],
  };
}
