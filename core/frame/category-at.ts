import { columnOf, textAt } from 'core/table';
import type { Frame } from './frame-of';

/** The category of a row of a frame as text; empty for a row outside the frame. */
export function categoryAt({ table, category }: Frame, row: number): string {
  const column = columnOf(table, category);
  return column && row >= 0 && row < table.rowCount ? textAt(column, row) : '';
}
