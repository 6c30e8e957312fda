import type { ColumnFacts } from 'core/brief';
import { orderDerived, type Derived } from 'core/document';
import type { ColumnType } from 'core/table';

/** A table's columns with its derived ones behind them, each with the type of its formula. It reads formulas, so it is loaded where there are any. */
export function withDerived(
  columns: readonly { readonly name: string; readonly type: ColumnType }[],
  derived: readonly Derived[],
): ColumnFacts[] {
  const scope = new Map(columns.map(column => [column.name, column.type]));
  const more = orderDerived(scope, derived).ordered.map(({ column, typed }) => ({
    ...column,
    type: typed.type === 'null' ? ('number' as const) : typed.type,
  }));
  return [...columns, ...more];
}
