import type { Mend } from 'core/document';
import { failure, success, type Problem, type Result } from 'core/result';
import type { Sentence } from 'core/sentence';
import type { CellEdit, Table } from 'core/table';
import { duplicates } from './duplicates';
import { beyond, emptyRows } from './empty-rows';
import type { Found, Mended, MendColumn, MendKind } from './kind';
import { rename } from './rename';
import { spaces } from './spaces';
import { spellings } from './spellings';
import { strayTexts } from './stray-texts';
import { strayValues } from './stray-values';
import { textNumbers } from './text-numbers';
import { totals } from './totals';
import { fill, zeros } from './zeros';

/** Every kind of mend, in the order in which they are best done: what is no row first, then texts, then numbers. */
const kinds: { readonly [K in Mend['kind']]: MendKind<Extract<Mend, { readonly kind: K }>> } = {
  beyond,
  'empty-rows': emptyRows,
  spaces,
  spellings,
  totals,
  duplicates,
  'stray-texts': strayTexts,
  numbers: textNumbers,
  'stray-values': strayValues,
  zeros,
  fill,
  rename,
};

/** The kind of a mend; each takes its own alone. */
const kindOf = (mend: Mend): MendKind => kinds[mend.kind] as unknown as MendKind;

/** The outcome of one mend. */
export interface MendOutcome {
  /** Rows that it left out, or cells that it changed. */
  readonly count: number;
  readonly also?: string;
  /** Why it could not be done; the others are done all the same. */
  readonly problems: readonly Problem[];
}

/** A table with its mends done. */
export interface MendedTable {
  readonly table: Table;
  /** For each row its place in the source, rising; null where no row was left out. */
  readonly origin: Int32Array | null;
  readonly outcomes: readonly MendOutcome[];
}

const NOTHING: MendOutcome = { count: 0, problems: [] };

/** Does mends in their order, each over what the ones before it left. The source is not changed. Cost: that of each mend, a few passes over its columns. */
export function mendTable(source: Table, mends: readonly Mend[]): MendedTable {
  let [table, origin]: [Table, Int32Array | null] = [source, null];
  const outcomes = mends.map((mend): MendOutcome => {
    if (mend.off) return NOTHING;
    const made: Result<Mended> = kindOf(mend).apply(table, mend);
    if (!made.ok) return { count: 0, problems: made.problems };
    table = made.value.table;
    const { kept, count, also } = made.value;
    const before: Int32Array | null = origin;
    if (kept) origin = before ? kept.map(row => before[row] as number) : kept;
    return { count, problems: [], ...(also === undefined ? {} : { also }) };
  });
  return { table, origin, outcomes };
}

/** The problems of a table. Cost: a few passes over each column. */
export const findMends = (table: Table): Found[] => Object.values(kinds).flatMap(kind => kind.find(table) as readonly Found[]);

/** The scope of a mend: rows, cells, or columns. */
export const mendCounts = (mend: Mend): MendKind['counts'] => kindOf(mend).counts;

/** How a mend reads, as a sentence whose words are the controls. */
export const mendSentence = (mend: Mend, columns: readonly MendColumn[]): Sentence => kindOf(mend).sentence(mend, columns);

/** What choosing a word of that sentence makes of it. Problems: a word that is not one of its own, or a text that cannot be meant. */
export function chooseMend(mend: Mend, key: string, value: string, columns: readonly MendColumn[]): Result<Mend> {
  const isOwn = mendSentence(mend, columns).some(part => typeof part !== 'string' && part.key === key);
  const changed = isOwn ? kindOf(mend).choose(mend, key, value, columns) : null;
  return changed ? success(changed) : failure({ code: 'mend-unread', text: value });
}

/** Mends to begin with by hand, with how each is offered. */
export const firstMends = (columns: readonly MendColumn[]): { readonly offer: string; readonly mend: Mend }[] =>
  Object.values(kinds).flatMap(kind => {
    const mend: Mend | null = (kind as unknown as MendKind).first(columns);
    return mend ? [{ offer: kind.offer, mend }] : [];
  });

/** Edits of cells of the source as edits of the rows that are left; those of rows that are not there rest. Cost: O(edits log rows). */
export function editsOfKept(edits: readonly CellEdit[], origin: Int32Array | null): readonly CellEdit[] {
  if (!origin || edits.length === 0) return edits;
  return edits.flatMap(edit => {
    const row = placeIn(origin, edit.row);
    return row < 0 ? [] : [{ ...edit, row }];
  });
}

/** Where a row of the source stands among those that are left; −1 where it was left out. */
export function placeIn(origin: Int32Array, row: number): number {
  let [low, high] = [0, origin.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((origin[middle] as number) < row) low = middle + 1;
    else high = middle;
  }
  return origin[low] === row ? low : -1;
}
