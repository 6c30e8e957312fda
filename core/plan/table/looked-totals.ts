import type { Crosstab } from 'core/crosstab';
import { applyCues, type AppliedCue, type Cue } from 'core/cue';
import type { Figure } from 'core/document';
import type { Frame } from 'core/frame';
import type { Stages } from 'core/stages';
import { columnOf, makeTable, named, takeColumn, type Column } from 'core/table';
import type { CuedPlace } from 'core/words';
import { inTable } from '../resting-cues';

/** Which totals a cue looks at: of rows or of columns. */
export type TotalsOf = 'rows' | 'columns';

/** Totals that cues look at, as a frame of their own with the cues' helper columns. */
export interface LookedTotals {
  readonly of: TotalsOf;
  /** Indexes of the rows, or columns, that the totals belong to. */
  readonly places: readonly number[];
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  /** The figure with the names of the totals as its category. */
  readonly figure: Figure;
}

/** Where the cues of a figure are applied: to its frame, and to the totals that some look at. */
export const cuedPlaces = (
  figure: Figure,
  { frame, applied, totals }: { readonly frame: Frame; readonly applied: readonly AppliedCue[]; readonly totals: readonly LookedTotals[] },
): CuedPlace[] => [{ frame, applied, figure }, ...totals];

/** Whether a cue looks at totals; where none does, nothing is computed for them. */
export const looksAtTotals = ({ on, scope }: Cue): boolean => on && scope.kind === 'totals';

/** The totals that cues look at; no cell is among them. Empty where no cue looks at totals, or none are shown. Cost: O(totals). */
export function lookedTotals(crosstab: Crosstab, figure: Figure, frame: Frame, stages: Stages): LookedTotals[] {
  return (['rows', 'columns'] as const).flatMap(of => {
    const cues = figure.cues.filter(cue => looksAtTotals(cue) && cue.scope.kind === 'totals' && cue.scope.of === of);
    const shown = cues.length ? stages(`totals of ${of}`, [crosstab, frame], () => totalsFrame(crosstab, frame, of)) : null;
    if (!shown) return [];
    const numbers = new Map(figure.cues.map((cue, i) => [cue.id, i + 1]));
    const applied = inTable(applyCues(cues.map(withoutTotals), shown.frame)).map(item => ({
      ...item,
      number: numbers.get(item.cue.id) ?? 0,
    }));
    return [{ of, ...shown, applied, figure: figureOf(figure, shown.frame, of) }];
  });
}

/** The cue with the scope of all totals. */
const withoutTotals = (cue: Cue): Cue => ({ ...cue, scope: { kind: 'figure' } });

function figureOf(figure: Figure, { category, outer }: Frame, of: TotalsOf): Figure {
  const { data } = figure;
  const step = of === 'rows' ? data.step : data.seriesStep;
  const kept = data.outer.filter(level => outer.includes(level.column));
  return { ...figure, data: { ...data, category, step, series: null, seriesStep: null, panel: null, outer: kept } };
}

/** The totals of all rows or columns that are values, as the rows of a frame. */
function totalsFrame(crosstab: Crosstab, frame: Frame, of: TotalsOf): { readonly frame: Frame; readonly places: readonly number[] } | null {
  const [items, others] = of === 'rows' ? [crosstab.rows, crosstab.columns] : [crosstab.columns, crosstab.rows];
  const total = others.findIndex(({ kind }) => kind === 'total');
  if (total === -1) return null;
  const across = crosstab.columns.length;
  const places = items.flatMap(({ kind }, at) => (kind === 'cells' ? [at] : []));
  const names = of === 'rows' ? crosstab.levels.map(({ column }) => column) : [crosstab.across ?? frame.category];
  const keys = names.map(name =>
    takeColumn(
      columnOf(frame.table, name) as Column,
      places.map(at => (items[at] as { readonly of: number }).of),
    ),
  );
  const values = crosstab.measures.map(measure => {
    const data = crosstab.values[measure] as Float64Array;
    const cell = (at: number): number => (of === 'rows' ? at * across + total : total * across + at);
    return named(measure, { type: 'number' as const, data: Float64Array.from(places, at => data[cell(at)] as number) });
  });
  return {
    places,
    frame: {
      ...frame,
      table: makeTable(frame.table.name, [...keys, ...values]),
      category: names.at(-1) as string,
      panel: null,
      series: null,
      outer: names.slice(0, -1),
      carried: [],
      measures: crosstab.measures,
      helpers: [],
      overall: [],
      whatIfs: {},
      resting: [],
      source: { offsets: new Int32Array(places.length + 1), rows: new Int32Array() },
    },
  };
}
