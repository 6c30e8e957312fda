import type { Crosstab } from 'core/crosstab';
import type { LookedTotals } from './looked-totals';
import { measureDress, type MeasureDress } from '../layers/measure-dress';
import type { LayoutRequest } from '../requests';

/** What cues make of the totals of rows, or of columns, of a crosstab: by measure, then by the place of the total among them. */
export interface DressedTotals extends LookedTotals {
  readonly measures: ReadonlyMap<string, MeasureDress>;
}

/** The totals that cues look at, each dressed as a frame of its own. */
export const dressedTotals = (crosstab: Crosstab, request: LayoutRequest): DressedTotals[] =>
  (request.totals ?? []).map(totals => {
    const own = { ...request, frame: totals.frame, applied: totals.applied };
    return { ...totals, measures: new Map(crosstab.measures.map(measure => [measure, measureDress(own, measure)])) };
  });
