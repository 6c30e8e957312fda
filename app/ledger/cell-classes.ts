import type { Cell } from 'core/table';
import type { GridColumn } from './grid-column';

// So many characters fit at a column's least width, wide letters and all.
const FITS = { number: 9, helper: 14, text: 10 } as const;

/** Whether what a cell says fits: cutting it off costs the browser a layer of its own, at every stroke of a drag. */
function fits(column: GridColumn, text: string): boolean {
  return text.length <= FITS[column.helper ? 'helper' : column.numeric ? 'number' : 'text'];
}

/** How a cell is dressed: by its column, its mark, and whether it has a value. */
export function classesOf(column: GridColumn, row: number): string[] {
  const mark = column.mark(row);
  return [
    ...(column.numeric ? ['ledger-right'] : []),
    ...(column.helper ? ['ledger-helper'] : []),
    ...(mark ? [`ledger-${mark}`] : []),
    ...(fits(column, column.text(row)) ? ['ledger-fits'] : []),
    ...(column.value(row) === null ? ['ledger-missing'] : []),
  ];
}

/** A key for the grid's column layout; changes of formulas and values leave it the same. */
export const shapeOf = (columns: readonly GridColumn[]): string =>
  JSON.stringify(columns.map(({ name, numeric, helper }) => [name, numeric, helper && [helper.cue, helper.colour]]));

/** Missing values sort last in either direction. */
export function compareCells(a: Cell, b: Cell, _x: unknown, _y: unknown, descending: boolean): number {
  if (a === null || b === null) return (Number(a === null) - Number(b === null)) * (descending ? -1 : 1);
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a) < String(b) ? -1 : String(a) > String(b) ? 1 : 0;
}
