import type { Candidate, ValueRange } from 'core/cue';
import { partsOfMeasure, simpleMeasure } from 'core/frame';
import { isAveraged, isMeasurable } from './column-roles';
import type { Subject } from '../setting';
import { offeredColumns } from './table-facts';

/** Number columns that are not measured yet, each as the measure that it would become. */
export function candidatesOf({ figure: { data }, table }: Subject): readonly Candidate[] {
  const there = new Set(data.measures.map(measure => partsOfMeasure(measure)?.column));
  const taken = [data.category, ...data.measures.map(({ name }) => name), ...data.helpers.map(({ name }) => name)];
  return offeredColumns(table)
    .filter(column => isMeasurable(column) && !there.has(column.name) && column.name !== data.category)
    .map(column => {
      const summary = isAveraged(column, table?.units[column.name]) ? 'avg' : 'sum';
      const { name, formula } = simpleMeasure(summary, column.name, taken);
      return { name, formula };
    });
}

/** The values behind a measure or candidate, where it summarises one column of the table. */
export function rangeOf({ figure: { data }, table }: Subject, candidates: readonly Candidate[], name: string): ValueRange | undefined {
  const formula = data.measures.find(measure => measure.name === name)?.formula ?? candidates.find(item => item.name === name)?.formula;
  const column = formula && partsOfMeasure({ ...NOTHING, formula })?.column;
  const stats = table?.columns.find(item => item.name === column)?.stats;
  return stats && { low: stats.low, high: stats.high };
}

const NOTHING = { name: '', shape: null, axis: 'first', format: null } as const;
