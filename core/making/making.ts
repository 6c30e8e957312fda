import type { Making } from 'core/document';
import { failure, type Result } from 'core/result';
import type { Made, NamedTable } from 'core/table/steps';
import { alignKind } from './align-kind';
import type { MakingKind, SqlTable } from './kind';
import { lookUpKind } from './look-up-kind';
import { stackKind } from './stack-kind';
import { longKind, wideKind } from './turn-kinds';

const kinds: { readonly [K in Making['kind']]: MakingKind<Extract<Making, { readonly kind: K }>> } = {
  align: alignKind,
  'look-up': lookUpKind,
  stack: stackKind,
  long: longKind,
  wide: wideKind,
};

/** The entry of a making's kind; each takes its own kind alone. */
const kindOf = (making: Making): MakingKind => kinds[making.kind] as unknown as MakingKind;

/** The tables that a table is made of, by their ids. */
export const tablesOf = (making: Making): readonly string[] => kindOf(making).tables(making);

/** A table made of others. Problems: one of them is not there, and those of its kind. */
export function madeOf(making: Making, tableOf: (id: string) => NamedTable | undefined): Result<Made> {
  const absent = tablesOf(making).find(id => !tableOf(id));
  if (absent !== undefined) return failure({ code: 'made-no-table', name: absent });
  return kindOf(making).make(making, id => tableOf(id) as NamedTable);
}

/** One statement of SQL that gives the same rows, in no order. */
export const sqlOfMaking = (making: Making, tableOf: (id: string) => SqlTable): string => kindOf(making).sql(making, tableOf);

/** How a table is made, as a sentence. */
export const wordsOfMaking = (making: Making, nameOf: (id: string) => string): string => kindOf(making).words(making, nameOf);
