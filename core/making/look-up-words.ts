import { ticksToken, toggled, type Sentence } from 'core/sentence';
import type { MakingOf } from './kind';
import { columnsOf, columnToken, keyCountToken, keyLike, keysSized, tableToken, type MakingTable, type MakingWords } from './word-parts';

/** Columns of another table. */
export const lookUpWords: MakingWords<MakingOf<'look-up'>> = {
  sentence: ({ table, keys, other, otherKeys, columns }, tables) => [
    'Take ',
    tableToken('table', table, tables),
    ' and look up ',
    ticksToken(
      'columns',
      'Columns to look up',
      columns,
      columnsOf(other, tables).map(({ name }) => ({ value: name, label: name })),
    ),
    ' in ',
    tableToken('other', other, tables),
    ' by a key of ',
    keyCountToken(keys.length),
    ...keys.flatMap((key, part): Sentence => [
      part === 0 ? ': where its ' : ' here and its ',
      columnToken(`other-key:${part}`, 'Key there', otherKeys[part] ?? '', other, tables),
      ' is the ',
      columnToken(`key:${part}`, 'Key here', key, table, tables),
    ]),
    ' here.',
  ],
  choose: (making, key, value, tables) => {
    const [what, part = '0'] = key.split(':');
    const put = (keys: readonly string[]): string[] => keys.map((own, at) => (at === Number(part) ? value : own));
    switch (what) {
      case 'table':
        return { ...making, table: value, keys: making.keys.map(own => keyLike(own, value, tables)) };
      case 'other':
        return lookUpIn({ ...making, other: value }, tables);
      case 'columns': {
        const columns = toggled(making.columns, value);
        return columns.length ? { ...making, columns } : making;
      }
      case 'keys':
        return withKeys(making, Number(value), tables);
      case 'key':
        return { ...making, keys: put(making.keys) };
      default:
        return { ...making, otherKeys: put(making.otherKeys) };
    }
  },
};

/** A key of so many columns: further ones that both tables have, else any here, each with the one there that is called like it. */
function withKeys(making: MakingOf<'look-up'>, count: number, tables: readonly MakingTable[]): MakingOf<'look-up'> {
  const there = new Set(columnsOf(making.other, tables).map(({ name }) => name));
  const shared = columnsOf(making.table, tables).flatMap(({ name }) => (there.has(name) && !making.keys.includes(name) ? [name] : []));
  const keys = keysSized([...making.keys, ...shared], count, making.table, tables);
  const otherKeys = keys.map((key, part) => making.otherKeys[part] ?? keyLike(key, making.other, tables));
  return { ...making, keys, otherKeys, columns: besideKey(making.columns, otherKeys, making.other, tables) };
}

/** Those of some columns that are none of the key; where none is left, the table's first that is none, else its key. */
function besideKey(columns: readonly string[], otherKeys: readonly string[], other: string, tables: readonly MakingTable[]): string[] {
  const left = columns.filter(name => !otherKeys.includes(name));
  if (left.length) return left;
  return [columnsOf(other, tables).find(({ name }) => !otherKeys.includes(name))?.name ?? (otherKeys[0] as string)];
}

/** Another table to look up in: its columns that are called like the key's, and the first of its others. */
export function lookUpIn(making: MakingOf<'look-up'>, tables: readonly MakingTable[]): MakingOf<'look-up'> {
  const otherKeys = making.keys.map(key => keyLike(key, making.other, tables));
  return { ...making, otherKeys, columns: besideKey([], otherKeys, making.other, tables) };
}
