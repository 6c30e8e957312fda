import { nameText } from 'core/formula';
import { align, toldApart } from 'core/table/steps';
import { fromText, inWords, type MakingKind, type MakingOf, type SqlTable } from './kind';

type Align = MakingOf<'align'>;

const HOW = { any: 'for every key of any of them', every: 'for keys that all of them have', first: 'for the keys of the first' } as const;
const SAME = { refuse: '', sum: ', rows of one key summed', first: ', the first row of each key' } as const;

/** Lists side by side on one key. */
export const alignKind: MakingKind<Align> = {
  tables: ({ lists }) => lists.map(({ table }) => table),
  make: ({ lists, ...alignment }, tableOf) =>
    align(
      lists.map(({ table, keys }) => ({ ...tableOf(table), keys })),
      alignment,
    ),
  sql: alignSql,
  words: ({ lists, how, nearest, same }, nameOf) => {
    const keys = inWords([...new Set(lists.map(list => list.keys.join(' and ')))]);
    const near = nearest === null ? '' : `, dates up to ${nearest === 1 ? 'one day' : `${nearest} days`} apart taken as one`;
    return `Align ${inWords(lists.map(({ table }) => nameOf(table)))} on ${keys}, ${HOW[how]}${SAME[same]}${near}.`;
  },
};

interface SqlList {
  readonly of: SqlTable;
  readonly keys: readonly string[];
  readonly alias: string;
}

/** The lists by key, the keys of all, then each list joined to them; rows without a key equal no other and come behind. */
function alignSql({ lists, how, nearest, same }: Align, tableOf: (id: string) => SqlTable): string {
  const own = lists.map(({ table, keys }, at): SqlList => ({ of: tableOf(table), keys, alias: `list_${at + 1}` }));
  const [first] = own as [SqlList, ...SqlList[]];
  const keys = first.keys.map((_, part) => `key_${part + 1}`);
  const sources = own.map((list, at) => listSql(list, { keys, same, near: at > 0 && nearest !== null ? nearSql(first, nearest) : null }));
  const kept = how === 'any' ? own : [first];
  const all = kept.map(({ alias }) => `select ${keys.join(', ')} from ${alias}`).join(' union ');
  const others = own.flatMap(({ of, keys: used, alias }) =>
    of.columns.filter(({ name }) => !used.includes(name)).map(({ name }) => ({ name, of: of.name, alias })),
  );
  const names = toldApart(others, first.keys);
  const shown = [
    ...keys.map((key, part) => `all_keys.${key} as ${nameText(first.keys[part] as string)}`),
    ...others.map(({ name, alias }, i) => `${alias}.${nameText(name)} as ${nameText(names[i] as string)}`),
  ];
  const joins = own.map(
    ({ alias }) =>
      `${how === 'every' ? 'join' : 'left join'} ${alias} on ${keys.map(key => `${alias}.${key} = all_keys.${key}`).join(' and ')}`,
  );
  const keyless = kept.filter((_, at) => how === 'any' || (how === 'first' && at === 0)).map(list => keylessSql(list, first, others));
  return [
    `with ${sources.join(',\n')},\nall_keys as (${all})`,
    `select ${shown.join(', ')}`,
    `from all_keys ${joins.join(' ')}`,
    ...(how === 'every' ? [] : keyless.map(select => `union all\n${select}`)),
  ].join('\n');
}

interface ListAsk {
  readonly keys: readonly string[];
  readonly same: Align['same'];
  /** What the last part of the key becomes where dates are moved; `?` stands for it. */
  readonly near: string | null;
}

function listSql({ of, keys: used, alias }: SqlList, { keys, same, near }: ListAsk): string {
  const last = used.length - 1;
  const keyOf = (name: string, part: number): string =>
    near !== null && part === last ? near.replaceAll('?', `own.${nameText(name)}`) : nameText(name);
  const others = of.columns.filter(({ name }) => !used.includes(name));
  const there = used.map(name => `${nameText(name)} is not null`).join(' and ');
  const shown = used.map((name, part) => `${keyOf(name, part)} as ${keys[part]}`);
  if (same === 'refuse')
    return `${alias} as (select ${[...shown, ...others.map(({ name }) => nameText(name))].join(', ')} from ${fromText(of)} as own where ${there})`;
  const sums = others.map(
    ({ name, type }) => `${same === 'sum' && type === 'number' ? 'sum' : 'any_value'}(${nameText(name)}) as ${nameText(name)}`,
  );
  const moved = `select ${[...shown, ...others.map(({ name }) => nameText(name))].join(', ')} from ${fromText(of)} as own where ${there}`;
  return `${alias} as (select ${[...keys, ...sums].join(', ')} from (${moved}) as moved group by ${keys.join(', ')})`;
}

/** The nearest date of the first list, so many days away at most, the earlier of two; itself where none is. */
function nearSql({ of, keys }: SqlList, days: number): string {
  const key = nameText(keys.at(-1) as string);
  const apart = `abs(cast(extract(epoch from near.${key}) - extract(epoch from ?) as double precision))`;
  return `coalesce((select near.${key} from ${fromText(of)} as near where ${apart} <= ${days * 86_400} order by ${apart}, near.${key} limit 1), ?)`;
}

/** Rows without a key, their places of other lists empty. */
function keylessSql({ of, keys }: SqlList, first: SqlList, others: readonly { readonly name: string; readonly of: string }[]): string {
  const shown = [
    ...first.keys.map((_, part) => nameText(keys[part] as string)),
    ...others.map(({ name, of: owner }) => (owner === of.name ? nameText(name) : 'null')),
  ];
  return `select ${shown.join(', ')} from ${fromText(of)} where ${keys.map(name => `${nameText(name)} is null`).join(' or ')}`;
}
