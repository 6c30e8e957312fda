import type { FileProblem } from 'core/result';
import { isMissing, rowsWithValue, textAt, type Reading } from 'core/table';
import type { ImportedTable, ReadColumn, SourceOrigin } from './imported';

/** A column of a source as it will be imported. */
export interface LookColumn extends ReadColumn {
  /** Rows without a value; 0 for a column that is left out. */
  readonly missing: number;
}

/** How a source is read, for a look before it is imported: plain data without the table. */
export interface SourceLook {
  readonly name: string;
  readonly rowCount: number;
  readonly columns: readonly LookColumn[];
  /** The first rows of the kept columns, as texts; null for missing. */
  readonly rows: readonly (readonly (string | null)[])[];
  readonly notes: readonly FileProblem[];
  readonly units: Readonly<Record<string, string>>;
  readonly readings: Readonly<Record<string, Reading>>;
  readonly parts: readonly string[];
  readonly part: string | null;
  readonly origin: SourceOrigin;
}

// Rows that are shown: more than a window has room for.
const SHOWN_ROWS = 50;
// Columns whose first rows are shown.
const SHOWN_COLUMNS = 200;

/** What is shown of a table before it is imported. Cost: a pass over each column. */
export function lookAt({ table, notes, units, readings, columns, parts, part, origin }: ImportedTable): SourceLook {
  const known = new Map(table.columns.map(column => [column.name, column]));
  const shown = table.columns.slice(0, SHOWN_COLUMNS);
  const cells = (row: number): (string | null)[] => shown.map(column => (isMissing(column, row) ? null : textAt(column, row)));
  return {
    name: table.name,
    rowCount: table.rowCount,
    columns: columns.map(column => {
      const own = column.name === null ? undefined : known.get(column.name);
      return { ...column, missing: own ? table.rowCount - rowsWithValue(own).length : 0 };
    }),
    rows: Array.from({ length: Math.min(SHOWN_ROWS, table.rowCount) }, (_, row) => cells(row)),
    notes,
    units,
    readings,
    parts,
    part,
    origin,
  };
}
