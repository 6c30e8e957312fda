import type { FileProblem } from 'core/result';
import type { ColumnType, Reading, Table } from 'core/table';

/** A text that does not fit its column: the row of the table, and the line or row of the source. */
export interface Misfit {
  readonly row: number;
  readonly line: number;
  readonly text: string;
}

/** How one column of a source was read. */
export interface ReadColumn {
  /** Its name in the source, made unique. */
  readonly source: string;
  /** Its name in the table; null where it was left out. */
  readonly name: string | null;
  readonly type: ColumnType;
  readonly unit: string | null;
  readonly reading: Reading;
  /** The first texts that do not fit its type, and their count. */
  readonly misfits: readonly Misfit[];
  readonly misfitCount: number;
}

/** A table read from a source, with everything that was assumed or mended. */
export interface ImportedTable {
  readonly table: Table;
  readonly notes: readonly FileProblem[];
  /** The unit of every number of a column, by its name. */
  readonly units: Readonly<Record<string, string>>;
  /** How the texts of columns were read, where not in the plainest way. */
  readonly readings: Readonly<Record<string, Reading>>;
  readonly columns: readonly ReadColumn[];
  /** Other tables in the source: sheets of a workbook, lists of a JSON text; empty where there is one. */
  readonly parts: readonly string[];
  /** The one that was read. */
  readonly part: string | null;
  /** The kind of source. */
  readonly origin: SourceOrigin;
}

/** The kind of source: rows of text with encoding and delimiter, records of JSON, a sheet, or typed columns. */
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
