import type { AppliedCue, Treatment, TreatmentOf } from 'core/cue';
import type { NumericValues } from 'core/table';

/** A treatment with the cue that it comes from. */
export interface Shown<S extends Treatment['show']> {
  readonly item: TreatmentOf<S>;
  readonly from: AppliedCue;
}

/** All treatments of one sort, in the order of the cues. */
export function treatmentsOf<S extends Treatment['show']>(applied: readonly AppliedCue[], show: S): readonly Shown<S>[] {
  let bySort = sorted.get(applied);
  if (!bySort) sorted.set(applied, (bySort = bySortOf(applied)));
  return (bySort.get(show) ?? []) as unknown as readonly Shown<S>[];
}

// Asked for every layer.
const sorted = new WeakMap<readonly AppliedCue[], Map<Treatment['show'], Shown<Treatment['show']>[]>>();

function bySortOf(applied: readonly AppliedCue[]): Map<Treatment['show'], Shown<Treatment['show']>[]> {
  const bySort = new Map<Treatment['show'], Shown<Treatment['show']>[]>();
  for (const from of applied)
    for (const item of from.treatments) {
      const same = bySort.get(item.show);
      if (same) same.push({ item, from });
      else bySort.set(item.show, [{ item, from }]);
    }
  return bySort;
}

const NOTHING = new Float64Array();

/** The numbers of one of a cue's helper columns; none when it has no such part. */
export function cueDataOf({ helpers }: AppliedCue, part: string): Float64Array {
  const column = helpers.find(helper => helper.part === part)?.column;
  return column?.type === 'number' ? (column as NumericValues).data : NOTHING;
}
