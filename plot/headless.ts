import type { ChartPlan, TablePlan } from 'core/plan';
import { FigureDrawing } from './figure-drawing';
import { blindCanvas } from './canvas/blind-canvas';
import { KnownWidths } from './canvas/text-widths';
import type { FigureSize } from './figure-size';
import type { Scene, TextWidth } from './scene/scene';

/** A plan laid out without a screen: the same scene that a canvas of that size strokes, as long as `measure` knows its letters. */
export function layOut(plan: ChartPlan, size: FigureSize, measure: TextWidth): Scene {
  const drawing = new FigureDrawing(blindCanvas(size, measure), plan, {
    isBlind: true,
    fixed: { responsive: false, devicePixelRatio: 1 },
    brushes: { glyph: () => undefined },
    widths: new KnownWidths(measure),
  });
  try {
    return drawing.scene;
  } finally {
    drawing.destroy();
  }
}

/** A table laid out without a screen: as high as it is asked to be (null: as its rows need), rows that have no room left out and reported. */
export async function layOutTable(
  plan: TablePlan,
  size: { readonly width: number; readonly height: number | null },
  measure: TextWidth,
): Promise<Scene> {
  // What draws tables comes when the first one is drawn: most figures are charts.
  const { tableScene } = await import('./table/table-scene');
  return tableScene(plan, size, measure);
}
