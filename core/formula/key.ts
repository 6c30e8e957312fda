import type { Cell } from 'core/table';
import type { TypedOrder, TypedType } from './typed';

const PLAIN_NAME = /^[\p{L}_][\p{L}\p{N}\p{M}_]*$/u;
const RESERVED = new Set(
  'and as asc between by case cast date desc distinct else end extract false from group in interval is like not null or order over then timestamp true when where with select'.split(
    ' ',
  ),
);

/** A column name as SQL: bare where that is safe in any engine, else in double quotes. */
export function nameText(name: string): string {
  const bare = PLAIN_NAME.test(name) && name === name.toLowerCase() && !RESERVED.has(name);
  return bare ? name : `"${name.replaceAll('"', '""')}"`;
}

/** A value as an SQL literal. */
export function literalText(type: TypedType, value: Cell): string {
  if (value === null) return 'null';
  if (type === 'date' || type === 'timestamp') return `${type} '${value}'`;
  return typeof value === 'string' ? `'${value.replaceAll("'", "''")}'` : String(value);
}

export const windowText = (partition: readonly { readonly key: string }[], order: readonly TypedOrder[] = []): string => {
  const by = partition.length ? `partition by ${partition.map(item => item.key).join(', ')}` : '';
  const sorted = order.length ? `order by ${order.map(orderText).join(', ')}` : '';
  return `over (${[by, sorted].filter(Boolean).join(' ')})`;
};

const orderText = ({ by, descending, nullsFirst }: TypedOrder): string =>
  `${by.key}${descending ? ' desc' : ''} nulls ${nullsFirst ? 'first' : 'last'}`;
