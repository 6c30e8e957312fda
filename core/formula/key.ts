import type { Cell } from 'core/table';
import type { TypedBound, TypedOrder, TypedType, TypedWindow } from './typed';

const PLAIN_NAME = /^[\p{L}_][\p{L}\p{N}\p{M}_]*$/u;
// Words that this grammar or a well-known engine reserves: quoted, so that the text runs anywhere.
const RESERVED = new Set(
  (
    'all analyse analyze and any array as asc asymmetric at between both by case cast check collate column constraint create current current_date ' +
    'current_time current_timestamp date deferrable desc distinct do else end except extract false fetch for foreign from full grant group having in ' +
    'initially inner intersect interval into is join lateral leading left like limit natural not null offset on only or order outer over partition ' +
    'placing pivot primary qualify range references returning right row rows select show some summarize symmetric table then timestamp to trailing true ' +
    'union unique unpivot user using variadic when where window with within'
  ).split(' '),
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

/** `over (…)`, every part written by `write`. */
export function windowText(
  { partition, order, bounds }: TypedWindow,
  write: (part: { readonly key: string }) => string = part => part.key,
): string {
  const by = partition.length ? `partition by ${partition.map(write).join(', ')}` : '';
  const sorted = order.length ? `order by ${order.map(item => orderText(item, write)).join(', ')}` : '';
  const frame = bounds ? `${bounds.unit} between ${boundText(bounds.from)} and ${boundText(bounds.to)}` : '';
  return `over (${[by, sorted, frame].filter(Boolean).join(' ')})`;
}

function orderText({ by, descending, nullsFirst }: TypedOrder, write: (part: { readonly key: string }) => string): string {
  return `${write(by)}${descending ? ' desc' : ''} nulls ${nullsFirst ? 'first' : 'last'}`;
}

function boundText(bound: TypedBound): string {
  switch (bound.kind) {
    case 'unbounded-preceding':
      return 'unbounded preceding';
    case 'unbounded-following':
      return 'unbounded following';
    case 'current':
      return 'current row';
    default:
      return `${bound.text} ${bound.kind}`;
  }
}
