import { nameText } from 'core/formula';
import type { Making } from 'core/document';
import type { Result } from 'core/result';
import type { Cell, ColumnType } from 'core/table';
import type { Made, NamedTable } from 'core/table/steps';

/** A table as a statement knows it. */
export interface SqlTable {
  readonly name: string;
  /** What it is called in this statement, where that is not its name. */
  readonly from?: string;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType }[];
  /** The different values of a column, as they first come: what a statement has to name when each becomes a column. */
  readonly valuesOf: (column: string) => readonly Cell[];
}

/** A table as the rows of a statement come from it. */
export const fromText = ({ name, from = name }: SqlTable): string => nameText(from);

/** One way to make a table of others. Adding one is adding one such entry to the registry, and its schema to the document. */
export interface MakingKind<M extends Making = Making> {
  /** The tables it is made of, by their ids, in order. */
  readonly tables: (making: M) => readonly string[];
  /** The table, with what has to be known of it. */
  readonly make: (making: M, tableOf: (id: string) => NamedTable) => Result<Made>;
  /** One statement of standard SQL that gives the same rows. */
  readonly sql: (making: M, tableOf: (id: string) => SqlTable) => string;
  /** How it reads, with the names of tables. */
  readonly words: (making: M, nameOf: (id: string) => string) => string;
}

/** The making of one kind. */
export type MakingOf<K extends Making['kind']> = Extract<Making, { readonly kind: K }>;

/** “a, b and c”. */
export const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
