import type { FileProblem } from 'core/result';
import type { ColumnType, Reading, Table } from 'core/table';

/** A text that its column could not read: the row of the table, and the line or row of the source. */
export interface Misfit {
  readonly row: number;
  readonly line: number;
  readonly text: string;
}

/** How one column of a source was read. */
export interface ReadColumn {
  /** As the source names it, made different where names repeat. */
  readonly source: string;
  /** Its name in the table; null where it was left out. */
  readonly name: string | null;
  readonly type: ColumnType;
  readonly unit: string | null;
  readonly reading: Reading;
  /** Texts that do not fit its type, the first of them, and how many there are. */
  readonly misfits: readonly Misfit[];
  readonly misfitCount: number;
}

/** A table read from a source, and everything that had to be assumed or mended. */
export interface ImportedTable {
  readonly table: Table;
  readonly notes: readonly FileProblem[];
  /** What stood beside every number of a column, by its name. */
  readonly units: Readonly<Record<string, string>>;
  /** How the texts of columns were read, where not as plain as can be. */
  readonly readings: Readonly<Record<string, Reading>>;
  readonly columns: readonly ReadColumn[];
  /** What could have been read instead: sheets of a workbook, lists of a JSON text; empty where there is no choice. */
  readonly parts: readonly string[];
  /** Which of them was. */
  readonly part: string | null;
  /** What it was read from. */
  readonly origin: SourceOrigin;
}

/** What a table was read from: rows of text with their encoding and the sign between cells, records of JSON, a sheet, or columns with types of their own. */
export type SourceOrigin =
  | { readonly kind: 'text'; readonly encoding: string; readonly delimiter: string }
  | { readonly kind: 'records' }
  | { readonly kind: 'sheet' }
  | { readonly kind: 'typed' };

/** Units and readings of the columns that a table has, by their names. */
export function stylesOf(columns: readonly ReadColumn[]): Pick<ImportedTable, 'units' | 'readings'> {
  const [units, readings]: [Record<string, string>, Record<string, Reading>] = [{}, {}];
  for (const { name, type, unit, reading } of columns) {
    if (name === null) continue;
    if (unit !== null) units[name] = unit;
    if (type !== 'text' && (reading.decimal !== 'point' || reading.dates !== 'iso')) readings[name] = reading;
  }
  return { units, readings };
}
