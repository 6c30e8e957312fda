import { nameText } from 'core/formula';
import { lookUp, toldApart } from 'core/table/steps';
import { fromText, inWords, type MakingKind, type MakingOf } from './kind';

/** A table with columns of another one behind its own, found by key. */
export const lookUpKind: MakingKind<MakingOf<'look-up'>> = {
  tables: ({ table, other }) => [table, other],
  make: ({ table, keys, other, otherKeys, columns }, tableOf) =>
    lookUp({ ...tableOf(table), keys }, { ...tableOf(other), keys: otherKeys }, columns),
  sql: ({ table, keys, other, otherKeys, columns }, tableOf) => {
    const [own, found] = [tableOf(table), tableOf(other)];
    const taken = own.columns.map(({ name }) => name);
    const names = toldApart(
      columns.map(name => ({ name, of: found.name })),
      taken,
    );
    const shown = [
      ...taken.map(name => `own.${nameText(name)}`),
      ...columns.map((name, i) => `other.${nameText(name)} as ${nameText(names[i] as string)}`),
    ];
    const on = keys.map((key, part) => `own.${nameText(key)} = other.${nameText(otherKeys[part] ?? '')}`);
    return `select ${shown.join(', ')}\nfrom ${fromText(own)} as own left join ${fromText(found)} as other on ${on.join(' and ')}`;
  },
  words: ({ table, keys, other, columns }, nameOf) =>
    `${nameOf(table)} with ${inWords(columns)} looked up in ${nameOf(other)} by ${inWords(keys)}.`,
};
