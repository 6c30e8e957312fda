import { cellAt, type Cell, type Column } from 'core/table';
import { MOMENTS, numberFormat } from './number-format';
import type { CellColumn } from './sheet';

/** A column as values, written as plainly as they are. */
export function plainColumn(column: Column, rows: number): CellColumn {
  const cells = Array.from({ length: rows }, (_, row): Cell => cellAt(column, row));
  const style =
    column.type === 'number'
      ? numberFormat({ grouping: false }, column.data)
      : column.type === 'date' || column.type === 'timestamp'
        ? MOMENTS[column.type]
        : '';
  return { title: column.name, type: column.type, cells, formula: null, style, says: '' };
}
