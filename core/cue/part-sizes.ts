import { groupRows } from 'core/formula';
import type { Frame } from 'core/frame';
import { columnOf } from 'core/table';
import { partsOfScope, type Scope } from './scope';

/** The values that are there in one part of a scope. */
export interface PartSize {
  readonly count: number;
  readonly values: readonly number[];
}

/** The parts that a scope cuts a measure's rows into, an order left aside. Cost: one pass. */
export function partSizes(scope: Scope, { table }: Frame, data: Float64Array): PartSize[] {
  const columns = partsOfScope(scope).flatMap(name => columnOf(table, name) ?? []);
  const { ids, count } = groupRows(columns, table.rowCount);
  const parts = Array.from({ length: count }, (): number[] => []);
  for (let row = 0; row < data.length; row++) {
    const value = data[row] as number;
    if (value === value) parts[ids ? (ids[row] as number) : 0]?.push(value);
  }
  return parts.map(values => ({ count: values.length, values }));
}
