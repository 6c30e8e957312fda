import type { ChartPlan, Plan, TablePlan } from 'core/plan';
import type { Canvas } from './canvas/brushes';
import { pageBrushes } from './canvas/page-brushes';
import { paintScene } from './canvas/paint-scene';
import { tinyLayout } from './scene/layout';
import { TINY } from './scene/marks/looks';
import { sceneOf } from './scene/scene-of';

/** A plan in a few dozen pixels: marks, level lines and bands of its first panel and axis, no words. For previews. A table is its cells, each a block of its colour. */
export function drawTiny(ctx: CanvasRenderingContext2D, plan: Plan, width: number, height: number, ratio = 1): void {
  ctx.fillStyle = plan.livery.ground;
  ctx.fillRect(0, 0, width, height);
  if (plan.kind === 'table') return drawCells(ctx, plan, width, height);
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

// A cell smaller than this would not be seen, in CSS pixels.
const LEAST_CELL = 3;

function drawCells(ctx: CanvasRenderingContext2D, { cells, rows, columns, livery }: TablePlan, width: number, height: number): void {
  const [across, down] = [Math.min(columns.length, Math.floor(width / LEAST_CELL)), Math.min(rows.length, Math.floor(height / LEAST_CELL))];
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const at = row * columns.length + column;
      if (Number.isNaN(cells.values[at])) continue;
      ctx.fillStyle = cells.grounds[at] || cells.barColours[at] || cells.inks[at] || livery.hair;
      ctx.fillRect((column * width) / across + 0.5, (row * height) / down + 0.5, width / across - 1, height / down - 1);
    }
}
