import { oncePer } from 'core/stages';
import type { NumericValues } from 'core/table';
import type { AppliedCue } from '../apply-cues';
import type { Treatment, TreatmentOf } from './treatments';

/** A treatment with the cue that it comes from. */
export interface CueTreatment<S extends Treatment['show']> {
  readonly item: TreatmentOf<S>;
  readonly from: AppliedCue;
}

/** All treatments of one kind, in the order of the cues. */
export function treatmentsOf<S extends Treatment['show']>(applied: readonly AppliedCue[], show: S): readonly CueTreatment<S>[] {
  return (sorted(applied).get(show) ?? []) as unknown as readonly CueTreatment<S>[];
}

// Asked for every layer.
const sorted = oncePer(bySortOf);

function bySortOf(applied: readonly AppliedCue[]): Map<Treatment['show'], CueTreatment<Treatment['show']>[]> {
  const bySort = new Map<Treatment['show'], CueTreatment<Treatment['show']>[]>();
  for (const from of applied)
    for (const item of from.treatments) {
      const same = bySort.get(item.show);
      if (same) same.push({ item, from });
      else bySort.set(item.show, [{ item, from }]);
    }
  return bySort;
}

const NOTHING = new Float64Array();

/** The numbers of one of a cue's helper columns; empty when it has no such part. */
export function cueDataOf({ helpers }: AppliedCue, part: string): Float64Array {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column?.type === 'number' ? (column as NumericValues).data : NOTHING;
}
