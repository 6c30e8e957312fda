import type { ColumnFacts } from 'core/brief';
import { orderDerived, type Derived, type TableDoc } from 'core/document';
import type { SourceInfo } from 'engine';

/**
 * A table's columns as the brief may know them: derived ones behind its own, each with the type of its formula, in the order of the table, hidden ones
 * told. It reads formulas, so it is loaded where there are any, or columns were arranged.
 */
export const columnsOf = (columns: SourceInfo['columns'], { derived, order, hidden }: TableDoc): readonly ColumnFacts[] =>
  arranged(withDerived(columns, derived), order, hidden);

function withDerived(columns: SourceInfo['columns'], derived: readonly Derived[]): readonly ColumnFacts[] {
  const scope = new Map(columns.map(column => [column.name, column.type]));
  const more = orderDerived(scope, derived).ordered.map(({ column, typed }) => ({
    ...column,
    type: typed.type === 'null' ? ('number' as const) : typed.type,
  }));
  return [...columns, ...more];
}

function arranged(columns: readonly ColumnFacts[], order: readonly string[], hidden: readonly string[]): readonly ColumnFacts[] {
  if (order.length + hidden.length === 0) return columns;
  const placeOf = (name: string): number => (order.includes(name) ? order.indexOf(name) : order.length);
  return columns
    .map(column => (hidden.includes(column.name) ? { ...column, hidden: true } : column))
    .sort((a, b) => placeOf(a.name) - placeOf(b.name));
}
