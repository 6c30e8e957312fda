import type { ALIGN_HOW, SAME_KEYS } from 'core/document';
import { MOST_KEYS, type Making } from 'core/document';
import { failure, success, type Result } from 'core/result';
import { choiceToken, textToken, ticksToken, toggled, type Option, type Sentence, type Token } from 'core/sentence';
import type { ColumnType } from 'core/table';
import type { MakingOf } from './kind';

/** What is known of the tables that one may be made of. */
export interface MakingTable {
  readonly id: string;
  readonly name: string;
  readonly columns: readonly { readonly name: string; readonly type: ColumnType }[];
}

/** How the making of one kind reads, and what choosing one of its words makes of it. */
interface MakingWords<M extends Making> {
  readonly sentence: (making: M, tables: readonly MakingTable[]) => Sentence;
  readonly choose: (making: M, key: string, value: string, tables: readonly MakingTable[]) => M;
}

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
const KEY_COUNTS: readonly Option[] = Array.from({ length: MOST_KEYS }, (_, at) => ({
  value: String(at + 1),
  label: at === 0 ? 'one column' : `${at + 1} columns`,
}));

const optionsFrom = <K extends string>(words: Readonly<Record<K, string>>): Option[] =>
  Object.entries<string>(words).map(([value, label]) => ({ value, label }));

const tableToken = (key: string, id: string, tables: readonly MakingTable[]): Token =>
  choiceToken(
    key,
    'Table',
    id,
    tables.map(table => ({ value: table.id, label: table.name })),
  );

const columnsOf = (id: string, tables: readonly MakingTable[]): MakingTable['columns'] =>
  tables.find(table => table.id === id)?.columns ?? [];

const columnToken = (key: string, about: string, name: string, id: string, tables: readonly MakingTable[]): Token =>
  choiceToken(
    key,
    about,
    name,
    columnsOf(id, tables).map(column => ({ value: column.name, label: column.name })),
  );

/** The column of a table that is called like another's, else its first. */
const keyLike = (name: string | undefined, id: string, tables: readonly MakingTable[]): string => {
  const columns = columnsOf(id, tables);
  return columns.find(column => column.name === name)?.name ?? columns[0]?.name ?? '';
};

const alignWords: MakingWords<MakingOf<'align'>> = {
  sentence: ({ lists, how, same, nearest }, tables) => {
    const [first] = lists;
    const last = columnsOf(first?.table ?? '', tables).find(({ name }) => name === first?.keys.at(-1));
    const isDate = last?.type === 'date' || last?.type === 'timestamp';
    return [
      'Align ',
      choiceToken('lists', 'How many', String(lists.length), COUNTS),
      ' by a key of ',
      choiceToken('keys', 'Columns of the key', String(first?.keys.length ?? 1), KEY_COUNTS),
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
        return { ...making, lists: lists.map(list => ({ ...list, keys: keysSized(list, Number(value), tables) })) };
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

function keysSized({ table, keys }: List, count: number, tables: readonly MakingTable[]): string[] {
  const free = columnsOf(table, tables)
    .map(({ name }) => name)
    .filter(name => !keys.includes(name));
  return [...keys, ...free].slice(0, Math.max(1, count));
}

const lookUpWords: MakingWords<MakingOf<'look-up'>> = {
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
function lookUpIn(making: MakingOf<'look-up'>, tables: readonly MakingTable[]): MakingOf<'look-up'> {
  const key = keyLike(making.keys[0], making.other, tables);
  const first = columnsOf(making.other, tables).find(({ name }) => name !== key)?.name ?? key;
  return { ...making, otherKeys: [key], columns: [first] };
}

const stackWords: MakingWords<MakingOf<'stack'>> = {
  sentence: ({ tables: own, from }, tables) => [
    'Stack ',
    ticksToken(
      'tables',
      'Tables to stack',
      own,
      tables.map(({ id, name }) => ({ value: id, label: name })),
    ),
    ' below each other by the names of their columns; the table of each row stands in ',
    textToken('from', 'A column for the table of each row', from ?? '', 'no column'),
    '.',
  ],
  choose: (making, key, value) => {
    if (key === 'from') return { ...making, from: value.trim() === '' ? null : value.trim() };
    const tables = toggled(making.tables, value);
    return tables.length > 1 ? { ...making, tables } : making;
  },
};

const longWords: MakingWords<MakingOf<'long'>> = {
  sentence: ({ table, columns, name, value }, tables) => [
    'Turn the columns ',
    ticksToken(
      'columns',
      'Columns to turn',
      columns,
      columnsOf(table, tables).map(column => ({ value: column.name, label: column.name })),
    ),
    ' of ',
    tableToken('table', table, tables),
    ' into rows, their names in ',
    textToken('name', 'A column for their names', name, 'name'),
    ', their values in ',
    textToken('value', 'A column for their values', value, 'value'),
    '.',
  ],
  choose: (making, key, value, tables) => {
    switch (key) {
      case 'table':
        return { ...making, table: value, columns: numbersOf(value, tables) };
      case 'columns': {
        const columns = toggled(making.columns, value);
        return columns.length ? { ...making, columns } : making;
      }
      case 'name':
        return { ...making, name: value.trim() || 'name' };
      default:
        return { ...making, value: value.trim() || 'value' };
    }
  },
};

const wideWords: MakingWords<MakingOf<'wide'>> = {
  sentence: ({ table, name, value }, tables) => [
    'Turn the rows of ',
    tableToken('table', table, tables),
    ' into a column for each ',
    columnToken('name', 'What names the columns', name, table, tables),
    ', with its ',
    columnToken('value', 'What stands in them', value, table, tables),
    '.',
  ],
  choose: (making, key, value, tables) => {
    if (key !== 'table') return { ...making, [key]: value };
    return { ...making, table: value, name: keyLike(making.name, value, tables), value: numbersOf(value, tables)[0] ?? '' };
  },
};

const numbersOf = (id: string, tables: readonly MakingTable[]): string[] => {
  const columns = columnsOf(id, tables);
  const numbers = columns.filter(({ type }) => type === 'number').map(({ name }) => name);
  return numbers.length ? numbers : columns.slice(0, 1).map(({ name }) => name);
};

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
