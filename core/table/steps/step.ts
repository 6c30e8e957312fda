import type { Table } from 'core/table';
import type { MakingProblem } from 'core/result';

/** The most rows that a table made of others may have. */
export const MOST_ROWS = 20_000_000;

/** A table with the name that its columns are told apart by. */
export interface NamedTable {
  readonly name: string;
  readonly table: Table;
}

/** What has to be known of a table that was made: keys that one list alone has, rows without a key, types that became text. */
export type MakingNote = Extract<MakingProblem, { readonly isNote: true }>;

/** A table made of others, with what has to be known of it. */
export interface Made {
  readonly table: Table;
  readonly notes: readonly MakingNote[];
}

/** Names for columns that come from several tables: where two would be equal, each says whose it is. */
export function toldApart(columns: readonly { readonly name: string; readonly of: string }[], taken: readonly string[]): string[] {
  const counts = new Map<string, number>(taken.map(name => [name, 1]));
  for (const { name } of columns) counts.set(name, (counts.get(name) ?? 0) + 1);
  const used = new Set(taken);
  return columns.map(({ name, of }) => {
    const wanted = (counts.get(name) ?? 0) > 1 ? `${name} of ${of}` : name;
    let free = wanted;
    for (let n = 2; used.has(free); n++) free = `${wanted} ${n}`;
    used.add(free);
    return free;
  });
}
