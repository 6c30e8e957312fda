import { cellLabels, dressOf, type Dress } from './marks';
import type { LayoutRequest } from '../requests';

/** What cues add to the cells of a measure, by row of the frame. */
export interface MeasureDress {
  readonly dress: Dress;
  readonly labels: ReadonlyMap<number, string>;
}

/** Colours, outlines, glyphs and words of a measure in every row of a frame. Cost: O(rows). */
export function measureDress(request: LayoutRequest, measure: string): MeasureDress {
  const rows = Int32Array.from({ length: request.frame.table.rowCount }, (_, row) => row);
  const whole = { rows, series: null, panel: 0, nth: 0, whole: true };
  return { dress: dressOf(request, { measure, shape: 'column', axis: 0 }, whole), labels: cellLabels(request, measure) };
}
