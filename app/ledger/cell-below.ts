import type { CellAddress, GridColumn } from './grid-column';
import { nameOfRow, rowNamed } from './row-name';

// An edit is on the screen by then.
const FOLLOWED_MS = 1500;

/** After Enter in a cell the focus goes to the one below it, wherever an edit has put that by then. */
export class CellBelow {
  private wanted: { readonly name: string; readonly column: string } | null = null;

  /** Remembers the cell of a row, by what names the row: there is none below the last. */
  follow(columns: readonly GridColumn[], row: number | undefined, column: string): void {
    this.wanted = row === undefined ? null : { name: nameOfRow(columns, row), column };
    // An edit that changes nothing brings no new rows.
    setTimeout(() => (this.wanted = null), FOLLOWED_MS);
  }

  /** Where it stands among new rows, once. */
  take(columns: readonly GridColumn[], rowCount: number): CellAddress | null {
    const { wanted } = this;
    this.wanted = null;
    const row = wanted ? rowNamed(columns, rowCount, wanted.name) : undefined;
    return wanted && row !== undefined ? { row, column: wanted.column } : null;
  }
}
