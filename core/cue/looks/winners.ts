import { oncePer } from 'core/stages';
import { rowsWithValue } from 'core/table';
import type { AppliedCue } from '../apply-cues';
import type { Treatment, TreatmentOf } from './treatments';

/** For each row of the frame the cue and treatment that colour it, as indexes into the applied cues; −1 for none. */
export interface Winners {
  readonly cue: Int16Array;
  readonly treatment: Int16Array;
  /** The rows that any cue colours, unordered. */
  readonly won: Int32Array;
  /** Treatments that colour at least one row. */
  readonly shown: ReadonlySet<Treatment>;
}

/** Treatments that colour the marks of a measure. */
export type Colouring = TreatmentOf<'mark'> | TreatmentOf<'ramp'>;
/** Whether a treatment colours marks. */
export const isColouring = (treatment: Treatment): treatment is Colouring => treatment.show === 'mark' || treatment.show === 'ramp';

/**
 * For each row the treatment that colours it: of the first cue in the list that does, and within a cue the first treatment. A part whose look has no
 * colour colours nothing.
 */
export function winnersOf(applied: readonly AppliedCue[], rows: number, measure: string): Winners {
  const byMeasure = known(applied);
  let winners = byMeasure.get(measure);
  if (!winners) byMeasure.set(measure, (winners = decide(applied, rows, measure)));
  return winners;
}

// Every series and the legend ask the same.
const known = oncePer((_applied: readonly AppliedCue[]) => new Map<string, Winners>());

function decide(applied: readonly AppliedCue[], rows: number, measure: string): Winners {
  const cue = new Int16Array(rows).fill(-1);
  const treatment = new Int16Array(rows).fill(-1);
  const shown = new Set<Treatment>();
  const all = new Int32Array(rows);
  let count = 0;
  applied.forEach(({ helpers, treatments }, c) =>
    treatments.forEach((item, t) => {
      if (!isColouring(item) || item.measure !== measure || !colours(item)) return;
      const column = helpers.find(helper => helper.part === item.part)?.column;
      if (!column) return;
      const before = count;
      const rows = rowsWithValue(column);
      for (let i = 0; i < rows.length; i++) {
        const row = rows[i] as number;
        if (cue[row] !== -1) continue;
        cue[row] = c;
        treatment[row] = t;
        all[count++] = row;
      }
      if (count > before) shown.add(item);
    }),
  );
  return { cue, treatment, won: all.subarray(0, count), shown };
}

const colours = (item: Colouring): boolean => item.show === 'ramp' || item.look.colour !== '';
