import type { Crosstab } from 'core/crosstab';
import type { LookedTotals } from './looked-totals';
import { measureDress, type MeasureDress } from '../layers/measure-dress';
import type { LayoutRequest } from '../requests';

/** What cues add to the totals of rows, or of columns: by measure, then by the index of the total. */
export interface DressedTotals extends LookedTotals {
  readonly measures: ReadonlyMap<string, MeasureDress>;
}

/** The dressed totals that cues look at. */
export const dressedTotals = (crosstab: Crosstab, request: LayoutRequest): DressedTotals[] =>
  (request.totals ?? []).map(totals => {
    const own = { ...request, frame: totals.frame, applied: totals.applied };
    return { ...totals, measures: new Map(crosstab.measures.map(measure => [measure, measureDress(own, measure)])) };
  });
