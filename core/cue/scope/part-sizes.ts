import { keptPer } from 'core/stages';
import { groupRows } from 'core/formula';
import type { Frame } from 'core/frame';
import { columnOf, type Column } from 'core/table';
import { partsOfScope, type Scope } from './scope';

/** The values in one part of a scope, missing ones skipped. */
export interface PartSize {
  readonly count: number;
  readonly values: readonly number[];
}

// Several cues look at all of one measure.
const whole = keptPer<Float64Array, readonly PartSize[]>();

/** The parts into which a scope divides a measure's rows, regardless of order. Cost: one pass. */
export function partSizes(scope: Scope, { table }: Frame, data: Float64Array): readonly PartSize[] {
  const columns = partsOfScope(scope).flatMap(name => columnOf(table, name) ?? []);
  if (columns.length > 0) return partsBy(columns, table.rowCount, data);
  const parts = whole.get(data) ?? partsBy(columns, table.rowCount, data);
  whole.set(data, parts);
  return parts;
}

function partsBy(columns: readonly Column[], rows: number, data: Float64Array): readonly PartSize[] {
  const { ids, count } = groupRows(columns, rows);
  const parts = Array.from({ length: count }, (): number[] => []);
  for (let row = 0; row < data.length; row++) {
    const value = data[row] as number;
    if (value === value) parts[ids ? (ids[row] as number) : 0]?.push(value);
  }
  return parts.map(values => ({ count: values.length, values }));
}
