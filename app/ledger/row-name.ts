import type { GridColumn } from './grid-column';

/** The name of a row: its texts, without its numbers. */
export const nameOfRow = (columns: readonly GridColumn[], row: number): string =>
  columns
    .filter(({ numeric, helper }, i) => i === 0 || (!numeric && !helper))
    .map(column => column.text(row))
    .join('\u0000');

/** Where the row of that name stands now; undefined where it is gone. */
export function rowNamed(columns: readonly GridColumn[], rowCount: number, name: string): number | undefined {
  for (let row = 0; row < rowCount; row++) if (nameOfRow(columns, row) === name) return row;
  return undefined;
}
