import { unreachable } from 'core/result';
import { MISSING_BOOLEAN, MISSING_TEXT, type Cell, type ColumnType, type Values } from './column';
import { isoDate, isoTimestamp, parseIsoDate, parseIsoTimestamp } from './dates';

/** One cell as plain data; a date as `2031-06-02`, missing as null. */
export function cellAt(values: Values, row: number): Cell {
  if (values.type === 'text') return values.dictionary[values.data[row] ?? MISSING_TEXT] ?? null;
  const raw = values.data[row];
  if (raw === undefined || Number.isNaN(raw)) return null;
  switch (values.type) {
    case 'boolean':
      return raw === MISSING_BOOLEAN ? null : raw === 1;
    case 'date':
      return isoDate(raw);
    case 'timestamp':
      return isoTimestamp(raw);
    case 'number':
      return raw;
    default:
      return unreachable(values);
  }
}

/** One cell as text in the shortest exact form; missing is the empty text. */
export const textAt = (values: Values, row: number): string => String(cellAt(values, row) ?? '');

/** The raw number of a non-text cell: NaN, or 2 for a boolean, when missing or when the cell is no such value. */
export function rawOf(type: Exclude<ColumnType, 'text'>, cell: Cell): number {
  switch (type) {
    case 'number':
      return typeof cell === 'number' && Number.isFinite(cell) ? cell : NaN;
    case 'boolean':
      return typeof cell === 'boolean' ? Number(cell) : MISSING_BOOLEAN;
    case 'date':
      return typeof cell === 'string' ? parseIsoDate(cell) : NaN;
    case 'timestamp':
      return typeof cell === 'string' ? parseIsoTimestamp(cell) : NaN;
    default:
      return unreachable(type);
  }
}
