import type { ChartPlan, TablePlan } from 'core/plan';
import { FigureDrawing } from './figure-drawing';
import { blindCanvas } from './canvas/blind-canvas';
import { KnownWidths } from './canvas/text-widths';
import type { FigureSize } from './figure-size';
import type { Scene, TextWidth } from './scene/scene';

/** A drawing that stands ready, and what it was made for. */
interface Ready {
  readonly drawing: FigureDrawing;
  readonly size: FigureSize;
  readonly measure: TextWidth;
}

// Figures of one size follow each other, from a command as in a gallery: what is the same for all of them is set up once.
let ready: Ready | null = null;

const isFor = ({ size, measure }: Ready, wanted: FigureSize, widths: TextWidth): boolean =>
  measure === widths && size.width === wanted.width && size.height === wanted.height;

/**
 * A plan laid out without a screen: the same scene that a canvas of that size strokes, as long as `measure` knows its letters. Cost: one layout of the
 * axes; less where the last figure was of the same size and letters.
 */
export function layOut(plan: ChartPlan, size: FigureSize, measure: TextWidth): Scene {
  const before = ready;
  // What fails midway is not used again.
  ready = null;
  const kept = before && isFor(before, size, measure) ? before : null;
  if (!kept) before?.drawing.destroy();
  const drawing = kept?.drawing ?? blindDrawing(plan, size, measure);
  if (kept) drawing.show(plan);
  const { scene } = drawing;
  ready = { drawing, size, measure };
  return scene;
}

const blindDrawing = (plan: ChartPlan, size: FigureSize, measure: TextWidth): FigureDrawing =>
  new FigureDrawing(blindCanvas(size, measure), plan, {
    isBlind: true,
    fixed: { responsive: false, devicePixelRatio: 1 },
    brushes: { glyph: () => undefined },
    widths: new KnownWidths(measure),
  });

/** A table laid out without a screen: as high as it is asked to be (null: as its rows need), rows that have no room left out and reported. */
export async function layOutTable(
  plan: TablePlan,
  size: { readonly width: number; readonly height: number | null },
  measure: TextWidth,
): Promise<Scene> {
  // What draws tables comes when the first one is drawn: most figures are charts.
  const { tableScene } = await import('./table');
  return tableScene(plan, size, measure);
}
