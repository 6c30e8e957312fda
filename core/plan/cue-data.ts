import type { AppliedCue, Treatment, TreatmentOf } from 'core/cue';
import type { NumericValues } from 'core/table';

/** A treatment with the cue that it comes from. */
export interface Shown<S extends Treatment['show']> {
  readonly item: TreatmentOf<S>;
  readonly from: AppliedCue;
}

/** All treatments of one sort, in the order of the cues. */
export function treatmentsOf<S extends Treatment['show']>(applied: readonly AppliedCue[], show: S): Shown<S>[] {
  return applied.flatMap(from => from.treatments.flatMap(item => (item.show === show ? [{ item: item as TreatmentOf<S>, from }] : [])));
}

const NOTHING = new Float64Array();

/** The numbers of one of a cue's helper columns; none when it has no such part. */
export function cueDataOf({ helpers }: AppliedCue, part: string): Float64Array {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column?.type === 'number' ? (column as NumericValues).data : NOTHING;
}
