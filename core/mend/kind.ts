import type { Mend } from 'core/document';
import type { Result } from 'core/result';
import type { Sentence } from 'core/sentence';
import type { ColumnType, Table } from 'core/table';

/** A column as the words of a mend know it. */
export interface MendColumn {
  readonly name: string;
  readonly type: ColumnType;
}

/** A table with one mend done. */
export interface Mended {
  readonly table: Table;
  /** The rows that are left, rising; null where all of them are. */
  readonly kept: Int32Array | null;
  /** Rows that were left out, or cells that were changed. */
  readonly count: number;
  /** Notes about the mend. */
  readonly also?: string;
}

/** Something that looks wrong in a table, and what would mend it. */
export interface Found<M extends Mend = Mend> {
  readonly mend: M;
  /** The finding, with an example. */
  readonly said: string;
  readonly count: number;
  /** The first rows that it is about, rising. */
  readonly rows: readonly number[];
}

/** One way to mend a table. Adding one is adding one such entry to the registry, and its schema to the document. */
export interface MendKind<M extends Mend = Mend> {
  /** How it is offered where nothing was found. */
  readonly offer: string;
  /** The number of rows or cells that it leaves out or changes. */
  readonly counts: 'row' | 'cell' | 'column';
  /** What of its kind looks wrong. Cost: a few passes over the columns it concerns, texts once per dictionary. */
  readonly find: (table: Table) => readonly Found<M>[];
  /** The table mended. Problems: a column that is not there, or holds what this cannot mend; a rule that is none. */
  readonly apply: (table: Table, mend: M) => Result<Mended>;
  /** How it reads; its words are the controls. */
  readonly sentence: (mend: M, columns: readonly MendColumn[]) => Sentence;
  /** What choosing one of its words makes of it; null for words that cannot be meant. */
  readonly choose: (mend: M, key: string, value: string, columns: readonly MendColumn[]) => M | null;
  /** One to begin with by hand; null where the table has no column for it. */
  readonly first: (columns: readonly MendColumn[]) => M | null;
}

/** The mend of one kind. */
export type MendOf<K extends Mend['kind']> = Extract<Mend, { readonly kind: K }>;

/** Rows that a finding names, at most. */
export const MOST_ROWS_SHOWN = 200;
