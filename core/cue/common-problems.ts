import type { Frame } from 'core/frame';
import { columnOf, type NumericValues } from 'core/table';
import type { CueBase, FoundProblem, Placed } from './kind';
import { scopeColumns } from './scope/scope';

/** Problems of any kind of cue: its columns, its scope, its order, and a measure whose values are all equal. */
export function commonProblems(cue: Placed<CueBase>, frame: Frame, columns: readonly string[], ordered: boolean): FoundProblem[] {
  const known = numbersOf(frame);
  const absent = columns.find(name => !known.includes(name));
  if (absent !== undefined) return [{ problem: { code: 'cue-no-measure', name: absent, known }, rests: true }];
  const place = scopeColumns(cue.scope).find(name => !columnOf(frame.table, name));
  if (place !== undefined) return [{ problem: { code: 'cue-no-scope', name: place, category: frame.category }, rests: true }];
  if (ordered && cue.scope.kind !== 'along') return [{ problem: { code: 'cue-no-order' }, rests: true }];
  if (frame.table.rowCount === 0) return [{ problem: { code: 'cue-no-rows' }, rests: true }];
  const bare = columns.find(name => variety(dataOf(frame, name)).count === 0);
  if (bare !== undefined) return [{ problem: { code: 'cue-all-missing', name: bare }, rests: true }];
  return [];
}

/** A note where values do not differ, for kinds that pick rows by size. */
export function samenessProblems(name: string, frame: Frame): FoundProblem[] {
  const { count, equal } = variety(dataOf(frame, name));
  if (count === 1) return [{ problem: { code: 'cue-one-value', name }, rests: false }];
  return equal ? [{ problem: { code: 'cue-all-equal', name }, rests: false }] : [];
}

/** A note where a kind that shows shares of a total meets negative values. */
export const negativeProblems = (name: string, frame: Frame): FoundProblem[] =>
  dataOf(frame, name).some(value => value < 0) ? [{ problem: { code: 'cue-negative', name }, rests: false }] : [];

/** Number columns among measures and helper columns by hand. */
export const numbersOf = (frame: Frame): string[] =>
  [...frame.measures, ...frame.helpers].filter(name => columnOf(frame.table, name)?.type === 'number');

/** The numbers of a column of the frame, which must be a number column. */
export const dataOf = (frame: Frame, name: string): Float64Array => (columnOf(frame.table, name) as NumericValues).data;

/** The count of values, and whether all are equal. Stops at the second different value. */
function variety(data: Float64Array): { count: number; equal: boolean } {
  let [count, first] = [0, NaN];
  for (let row = 0; row < data.length; row++) {
    const value = data[row] as number;
    if (value !== value) continue;
    if (count++ === 0) first = value;
    else if (value !== first) return { count, equal: false };
  }
  return { count, equal: true };
}
