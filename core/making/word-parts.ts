import { MOST_KEYS, type Making } from 'core/document';
import { choiceToken, type Option, type Sentence, type Token } from 'core/sentence';
import type { ColumnType } from 'core/table';

/** What is known of the tables that one may be made of. */
export interface MakingTable {
  readonly id: string;
  readonly name: string;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType }[];
}

/** How the making of one kind reads, and what choosing one of its words makes of it. */
export interface MakingWords<M extends Making> {
  readonly sentence: (making: M, tables: readonly MakingTable[]) => Sentence;
  readonly choose: (making: M, key: string, value: string, tables: readonly MakingTable[]) => M;
}

/** Options of a list of words. */
export const optionsFrom = <K extends string>(words: Readonly<Record<K, string>>): Option[] =>
  Object.entries<string>(words).map(([value, label]) => ({ value, label }));

/** A table as a word. */
export const tableToken = (key: string, id: string, tables: readonly MakingTable[]): Token =>
  choiceToken(
    key,
    'Table',
    id,
    tables.map(table => ({ value: table.id, label: table.name })),
  );

/** The columns of a table by its id. */
export const columnsOf = (id: string, tables: readonly MakingTable[]): MakingTable['columns'] =>
  tables.find(table => table.id === id)?.columns ?? [];

/** A column of a table as a word. */
export const columnToken = (key: string, about: string, name: string, id: string, tables: readonly MakingTable[]): Token =>
  choiceToken(
    key,
    about,
    name,
    columnsOf(id, tables).map(column => ({ value: column.name, label: column.name })),
  );

/** The column of a table that is called like another's, else its first. */
export const keyLike = (name: string | undefined, id: string, tables: readonly MakingTable[]): string => {
  const columns = columnsOf(id, tables);
  return columns.find(column => column.name === name)?.name ?? columns[0]?.name ?? '';
};

const KEY_COUNTS: readonly Option[] = Array.from({ length: MOST_KEYS }, (_, at) => ({
  value: String(at + 1),
  label: at === 0 ? 'one column' : `${at + 1} columns`,
}));

/** Of how many columns a key is, as a word. */
export const keyCountToken = (count: number): Token => choiceToken('keys', 'Columns of the key', String(count), KEY_COUNTS);

/** A key of so many columns: those that it has, then others of its table. */
export function keysSized(keys: readonly string[], count: number, id: string, tables: readonly MakingTable[]): string[] {
  const free = columnsOf(id, tables)
    .map(({ name }) => name)
    .filter(name => !keys.includes(name));
  return [...keys, ...free].slice(0, Math.max(1, count));
}

/** The number columns of a table; its first where it has none. */
export const numbersOf = (id: string, tables: readonly MakingTable[]): string[] => {
  const columns = columnsOf(id, tables);
  const numbers = columns.filter(({ type }) => type === 'number').map(({ name }) => name);
  return numbers.length ? numbers : columns.slice(0, 1).map(({ name }) => name);
};
