import { rowsWithValue } from 'core/table';
import type { AppliedCue } from './apply-cues';

/** For each frame row the cue and treatment that colour it: indices into the applied cues; −1 where none does. */
export interface Winners {
  readonly cue: Int16Array;
  readonly treatment: Int16Array;
}

/** The first cue in the list that marks a row wins it; within a cue the first treatment does. */
export function winnersOf(applied: readonly AppliedCue[], rows: number): Winners {
  const cue = new Int16Array(rows).fill(-1);
  const treatment = new Int16Array(rows).fill(-1);
  applied.forEach(({ helpers, treatments }, c) =>
    treatments.forEach(({ part }, t) => {
      const column = helpers.find(helper => helper.part === part)?.column;
      if (!column) return;
      for (const row of rowsWithValue(column)) {
        if (cue[row] !== -1) continue;
        cue[row] = c;
        treatment[row] = t;
      }
    }),
  );
  return { cue, treatment };
}
