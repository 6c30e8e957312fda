import type { Crosstab } from 'core/crosstab';
import { applyCues, type AppliedCue, type Cue } from 'core/cue';
import type { Frame } from 'core/frame';
import { columnOf, makeTable, named, takeColumn, type Column } from 'core/table';
import { measureDress, type MeasureDress } from './measure-dress';
import type { LayoutRequest } from './requests';
import { inTable } from './resting-cues';

/** Which totals a cue looks at. */
type TotalsOf = 'rows' | 'columns';

/** What cues make of the totals of rows, or of columns, of a crosstab: by measure, then by the place of the total among them. */
export interface DressedTotals {
  readonly of: TotalsOf;
  /** Places of the rows, or columns, that the totals are of. */
  readonly places: readonly number[];
  readonly frame: Frame;
  readonly applied: readonly AppliedCue[];
  readonly measures: ReadonlyMap<string, MeasureDress>;
}

/** The totals that cues look at, each dressed as a frame of its own: no cell takes part in it. Empty where no cue does, or no such totals show. */
export function dressedTotals(crosstab: Crosstab, request: LayoutRequest): DressedTotals[] {
  if (request.applied.length === 0) return [];
  return (['rows', 'columns'] as const).flatMap(of => {
    const cues = request.figure.cues.filter(({ on, scope }) => on && scope.kind === 'totals' && scope.of === of);
    const shown = cues.length ? totalsFrame(crosstab, request.frame, of) : null;
    if (!shown) return [];
    const { frame, places } = shown;
    const numbers = new Map(request.figure.cues.map((cue, i) => [cue.id, i + 1]));
    const applied = inTable(applyCues(cues.map(withoutTotals), frame)).map(item => ({ ...item, number: numbers.get(item.cue.id) ?? 0 }));
    const own = { ...request, frame, applied };
    const measures = new Map(crosstab.measures.map(measure => [measure, measureDress(own, measure)]));
    return [{ of, places, frame, applied, measures }];
  });
}

/** Among the totals themselves a cue looks everywhere. */
const withoutTotals = (cue: Cue): Cue => ({ ...cue, scope: { kind: 'figure' } });

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
      outer: [],
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
