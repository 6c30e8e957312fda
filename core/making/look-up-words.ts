import { ticksToken, toggled } from 'core/sentence';
import type { MakingOf } from './kind';
import { columnsOf, columnToken, keyLike, tableToken, type MakingTable, type MakingWords } from './word-parts';

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
    ', where its ',
    columnToken('other-key', 'Key there', otherKeys[0] ?? '', other, tables),
    ' is the ',
    columnToken('key', 'Key here', keys[0] ?? '', table, tables),
    ' here.',
  ],
  choose: (making, key, value, tables) => {
    switch (key) {
      case 'table':
        return { ...making, table: value, keys: [keyLike(making.keys[0], value, tables)] };
      case 'other':
        return lookUpIn({ ...making, other: value }, tables);
      case 'columns': {
        const columns = toggled(making.columns, value);
        return columns.length ? { ...making, columns } : making;
      }
      case 'key':
        return { ...making, keys: [value] };
      default:
        return { ...making, otherKeys: [value] };
    }
  },
};

/** Another table to look up in: its column that is called like the key, and the first of its others. */
export function lookUpIn(making: MakingOf<'look-up'>, tables: readonly MakingTable[]): MakingOf<'look-up'> {
  const key = keyLike(making.keys[0], making.other, tables);
  const first = columnsOf(making.other, tables).find(({ name }) => name !== key)?.name ?? key;
  return { ...making, otherKeys: [key], columns: [first] };
}
