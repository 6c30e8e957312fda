import type { AppliedCue, Treatment } from 'core/cue';

/** Treatments that a table cannot show; all others show in its cells. */
const PLACELESS: { readonly [S in Treatment['show']]?: string } = { line: 'line', band: 'band', span: 'spans', split: 'parts' };

/**
 * The cues as a table shows them: one that has no place in its cells says so and rests, with its helper columns in the ledger as ever. `totals`: those that the table
 * shows, which cues may look at; `looked`: what cues make of them, whose problems are told in the place of those that they have among the cells.
 */
export const inTable = (
  applied: readonly AppliedCue[],
  totals: readonly ('rows' | 'columns')[] = [],
  looked: readonly { readonly applied: readonly AppliedCue[] }[] = [],
): readonly AppliedCue[] => {
  const among = new Map(looked.flatMap(item => item.applied.map(({ cue, problems }) => [cue.id, problems] as const)));
  return applied.map(cue => {
    const problems = cue.problems.filter(problem => problem.code !== 'cue-no-totals' || !totals.includes(problem.of));
    return placed({ ...cue, problems: [...problems, ...(among.get(cue.cue.id) ?? [])] });
  });
};

function placed(cue: AppliedCue): AppliedCue {
  const what = [...new Set(cue.treatments.flatMap(({ show }) => PLACELESS[show] ?? []))];
  if (what.length === 0) return cue;
  const treatments = cue.treatments.filter(({ show }) => PLACELESS[show] === undefined);
  const rests = treatments.length === 0;
  return { ...cue, treatments, quietsRest: cue.quietsRest && !rests, problems: [...cue.problems, { code: 'cue-no-place', what, rests }] };
}
