import type { Making } from 'core/document';
import { failure, success, type Result } from 'core/result';
import type { Sentence } from 'core/sentence';
import { alignWords } from './align-words';
import { lookUpIn, lookUpWords } from './look-up-words';
import { stackWords } from './stack-words';
import { longWords, wideWords } from './turn-words';
import { keyLike, numbersOf, type MakingTable, type MakingWords } from './word-parts';

const kinds: { readonly [K in Making['kind']]: MakingWords<Extract<Making, { readonly kind: K }>> } = {
  align: alignWords,
  'look-up': lookUpWords,
  stack: stackWords,
  long: longWords,
  wide: wideWords,
};

/** The words of a making's kind; each takes its own kind alone. */
const wordsOf = (making: Making): MakingWords<Making> => kinds[making.kind] as unknown as MakingWords<Making>;

/** How a table is made, as a sentence whose words are the controls. */
export const makingSentence = (making: Making, tables: readonly MakingTable[]): Sentence => wordsOf(making).sentence(making, tables);

/** What choosing a word of that sentence makes of it. Problem: a word that is not one of its own. */
export function chooseMaking(making: Making, key: string, value: string, tables: readonly MakingTable[]): Result<Making> {
  const isOwn = makingSentence(making, tables).some(part => typeof part !== 'string' && part.key === key);
  return isOwn ? success(wordsOf(making).choose(making, key, value, tables)) : failure({ code: 'setting-unknown', key });
}

/** Makings to begin with, of the table that is looked at and the others: each as good a guess as the names of columns allow. */
export function firstMakings(tables: readonly MakingTable[], id: string): Making[] {
  const own = tables.find(table => table.id === id) ?? tables[0];
  if (!own) return [];
  const shares = (table: MakingTable): string | undefined =>
    table.columns.find(column => own.columns.some(({ name, type }) => name === column.name && type === column.type))?.name;
  const others = tables.filter(table => table.id !== own.id);
  const partner = others.find(table => shares(table) !== undefined) ?? others[0];
  const key = (partner && shares(partner)) ?? own.columns[0]?.name ?? '';
  const [text] = own.columns.filter(({ type }) => type === 'text').map(({ name }) => name);
  const numbers = numbersOf(own.id, tables);
  return [
    ...(partner
      ? [
          {
            kind: 'align' as const,
            lists: [own, partner].map(({ id: table }) => ({ table, keys: [keyLike(key, table, tables)] })),
            how: 'any' as const,
            nearest: null,
            same: 'refuse' as const,
          },
          lookUpIn({ kind: 'look-up', table: own.id, keys: [key], other: partner.id, otherKeys: [], columns: [] }, tables),
          { kind: 'stack' as const, tables: [own.id, partner.id], from: 'table' },
        ]
      : []),
    { kind: 'long', table: own.id, columns: numbers, name: 'name', value: 'value' },
    { kind: 'wide', table: own.id, name: text ?? key, value: numbers[0] ?? key },
  ];
}
