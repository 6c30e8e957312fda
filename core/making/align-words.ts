import type { ALIGN_HOW, SAME_KEYS } from 'core/document';
import { choiceToken, type Option, type Sentence } from 'core/sentence';
import type { MakingOf } from './kind';
import {
  columnsOf,
  columnToken,
  keyCountToken,
  keyLike,
  keysSized,
  optionsFrom,
  tableToken,
  type MakingTable,
  type MakingWords,
} from './word-parts';

const HOW: Readonly<Record<(typeof ALIGN_HOW)[number], string>> = {
  any: 'for every key of any of them',
  every: 'for keys that all of them have',
  first: 'for the keys of the first',
};
const SAME: Readonly<Record<(typeof SAME_KEYS)[number], string>> = {
  refuse: 'are refused',
  sum: 'are summed',
  first: 'count by the first',
};
const NEAREST: readonly Option[] = [
  { value: '', label: 'must be the same' },
  ...[1, 3, 7, 16, 31].map(days => ({ value: String(days), label: `may lie ${days === 1 ? 'a day' : `${days} days`} apart` })),
];
const COUNTS: readonly Option[] = [2, 3, 4, 5, 6].map(count => ({ value: String(count), label: `${count} lists` }));

/** Lists beside each other. */
export const alignWords: MakingWords<MakingOf<'align'>> = {
  sentence: ({ lists, how, same, nearest }, tables) => {
    const [first] = lists;
    const last = columnsOf(first?.table ?? '', tables).find(({ name }) => name === first?.keys.at(-1));
    const isDate = last?.type === 'date' || last?.type === 'timestamp';
    return [
      'Align ',
      choiceToken('lists', 'How many', String(lists.length), COUNTS),
      ' by a key of ',
      keyCountToken(first?.keys.length ?? 1),
      ': ',
      ...lists.flatMap(({ table, keys }, at): Sentence => [
        at === 0 ? '' : at === lists.length - 1 ? ' and ' : ', ',
        tableToken(`list:${at}`, table, tables),
        ' by ',
        ...keys.flatMap((key, part): Sentence => [part === 0 ? '' : ' and ', columnToken(`key:${at}:${part}`, 'Key', key, table, tables)]),
      ]),
      ', ',
      choiceToken('how', 'Which keys', how, optionsFrom(HOW)),
      '. Several rows of one key ',
      choiceToken('same', 'Rows of one key', same, optionsFrom(SAME)),
      ...(isDate ? ['; dates ', choiceToken('nearest', 'Dates that lie near', nearest === null ? '' : String(nearest), NEAREST)] : []),
      '.',
    ];
  },
  choose: (making, key, value, tables) => {
    const [what, at = '0', part = '0'] = key.split(':');
    const { lists } = making;
    switch (what) {
      case 'lists':
        return { ...making, lists: resized(lists, Number(value), tables) };
      case 'keys':
        return { ...making, lists: lists.map(list => ({ ...list, keys: keysSized(list.keys, Number(value), list.table, tables) })) };
      case 'list':
        return {
          ...making,
          lists: lists.map((list, i) =>
            i === Number(at) ? { table: value, keys: list.keys.map(own => keyLike(own, value, tables)) } : list,
          ),
        };
      case 'key':
        return {
          ...making,
          lists: lists.map((list, i) =>
            i === Number(at) ? { ...list, keys: list.keys.map((own, j) => (j === Number(part) ? value : own)) } : list,
          ),
        };
      case 'how':
        return { ...making, how: value as typeof making.how };
      case 'same':
        return { ...making, same: value as typeof making.same };
      default:
        return { ...making, nearest: value === '' ? null : Number(value) };
    }
  },
};

type List = MakingOf<'align'>['lists'][number];

function resized(lists: readonly List[], count: number, tables: readonly MakingTable[]): List[] {
  const [first] = lists;
  const added = Array.from({ length: Math.max(0, count - lists.length) }, (_, i): List => {
    const table = tables[(lists.length + i) % Math.max(1, tables.length)]?.id ?? '';
    return { table, keys: (first?.keys ?? []).map(key => keyLike(key, table, tables)) };
  });
  return [...lists.slice(0, count), ...added];
}
