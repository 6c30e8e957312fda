import { Evaluator, compileFormula, groupRows, parseFormula, scopeOf } from 'core/formula';
import { listed } from 'core/sentence';
import { columnOf, named, takeValues, textAt, type Column, type Table } from 'core/table';
import type { Measure } from './schema';

/** A measure's own formula over all rows of the table behind the frame, in each part that columns cut it into; none: over all of them. */
export interface Overall {
  readonly measure: string;
  readonly within: readonly string[];
}

/** The column of the frame that holds it: "ratio over all rows in each valley". */
export const overallName = ({ measure, within }: Overall): string =>
  `${measure} over all rows${within.length ? ` in each ${listed(within)}` : ''}`;

/** What measures over all rows behind a frame are computed from. */
export interface OverallRequest {
  readonly frame: Table;
  /** The rows behind the frame, and its key columns over them, cut to the figure's steps. */
  readonly rows: Table;
  readonly keys: readonly Column[];
  readonly measures: readonly Measure[];
}

/**
 * One value per frame row: of its part, found by the frame's own key columns. Parts that a column of the table does not cut, and measures
 * that do not compile, give none. Cost: one pass over the rows for each.
 */
export function overallColumns({ frame, rows, keys: cut, measures }: OverallRequest, asked: readonly Overall[]): Column[] {
  return asked.flatMap(ask => {
    const measure = measures.find(item => item.name === ask.measure);
    const keys = ask.within.map(name => [cut.find(key => key.name === name) ?? columnOf(rows, name), columnOf(frame, name)] as const);
    const compiled = measure && compileFormula(measure.formula, scopeOf(rows), 'measure');
    if (!compiled?.ok || keys.some(([source, shown]) => !source || !shown)) return [];
    const groups = groupRows(
      keys.map(([source]) => source as Column),
      rows.rowCount,
    );
    const values = new Evaluator(rows, groups).values(compiled.value);
    const places = new Map(
      Array.from(groups.firstRows, (row, group) => [
        keyAt(
          keys.map(([source]) => source as Column),
          row,
        ),
        group,
      ]),
    );
    const shown = keys.map(([, column]) => column as Column);
    const at = Int32Array.from({ length: frame.rowCount }, (_, row) => places.get(keyAt(shown, row)) ?? -1);
    return [named(overallName(ask), takeValues(values, at))];
  });
}

const keyAt = (columns: readonly Column[], row: number): string => JSON.stringify(columns.map(column => textAt(column, row)));

/** Whether a measure only adds up or counts: over all rows it is a total, which no bar can be compared with. */
export function isAdditive(formula: string): boolean {
  const parsed = parseFormula(formula);
  return (
    parsed.ok &&
    parsed.value.kind === 'call' &&
    !parsed.value.over &&
    !parsed.value.distinct &&
    ['sum', 'count'].includes(parsed.value.name)
  );
}
