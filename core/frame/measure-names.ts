import { nameText } from 'core/formula';
import { summedColumn } from './measures';
import { plainMeasure } from './plain-measure';
import type { Measure } from './schema';

/** The summaries a measure takes without typing a formula, with the words of the brief. */
export const SUMMARIES = [
  { value: 'sum', label: 'summed', prefix: '' },
  { value: 'avg', label: 'averaged', prefix: 'average ' },
  { value: 'min', label: 'at its lowest', prefix: 'lowest ' },
  { value: 'max', label: 'at its highest', prefix: 'highest ' },
  { value: 'median', label: 'at the middle', prefix: 'median ' },
  { value: 'count', label: 'counted', prefix: 'count of ' },
] as const;

/** Pseudo-column that stands for the rows themselves. */
export const ROWS = '*';

/** A measure that summarises one column; its name tells the summary, so that an average is never read as a total. */
export function simpleMeasure(summary: string, column: string, taken: readonly string[]): Measure {
  if (column === ROWS) return plainMeasure(freeName('rows', taken), 'count(*)');
  const told = SUMMARIES.find(item => item.value === summary)?.prefix ?? '';
  // A column that is called an average already is not called one twice.
  const prefix = told !== '' && column.toLowerCase().startsWith(told.trim()) ? '' : told;
  return plainMeasure(freeName(`${prefix}${column}`, taken), `${summary}(${nameText(column)})`);
}

const freeName = (name: string, taken: readonly string[]): string => (taken.includes(name) ? `${name} (measure)` : name);

/** Summary and column of a simple measure; undefined for a formula of the analyst's own. */
export function partsOfMeasure(measure: Measure): { readonly summary: string; readonly column: string } | undefined {
  return measure.formula === 'count(*)' ? { summary: 'count', column: ROWS } : summedColumn(measure.formula);
}

/** The unit of a measure: that of its column, except for counts. */
export function unitOf(measure: Measure, units: Readonly<Record<string, string>>): string | undefined {
  const parts = partsOfMeasure(measure);
  return parts && parts.summary !== 'count' ? units[parts.column] : undefined;
}
