import type { Cell } from 'core/table';
import { RESERVED } from '../tree/reserved-words';
import type { TypedBound, TypedOrder, TypedWindow } from './typed';
import type { TypedType } from '../check/types';

const PLAIN_NAME = /^[\p{L}_][\p{L}\p{N}\p{M}_]*$/u;
/** A column name as SQL: bare where any engine allows that, else in double quotes. */
export function nameText(name: string): string {
  let text = texts.get(name);
  if (text === undefined) {
    if (texts.size >= KEPT_KEYS) texts.clear();
    texts.set(name, (text = quotedUnlessBare(name)));
  }
  return text;
}

const texts = new Map<string, string>();

function quotedUnlessBare(name: string): string {
  const bare = PLAIN_NAME.test(name) && name === name.toLowerCase() && !RESERVED.has(name);
  return bare ? name : `"${name.replaceAll('"', '""')}"`;
}

/** A short hash of a long key; equal texts give equal hashes. */
export function shortKey(key: string): string {
  let short = shortened.get(key);
  if (short === undefined) {
    if (shortened.size >= KEPT_KEYS) shortened.clear();
    // Numbers are never given twice, so a key that was forgotten is at worst computed again.
    shortened.set(key, (short = `#${++given}`));
  }
  return short;
}

const KEPT_KEYS = 5_000;
const shortened = new Map<string, string>();
let given = 0;

/** A value as an SQL literal. */
export function literalText(type: TypedType, value: Cell): string {
  if (value === null) return 'null';
  if (type === 'date' || type === 'timestamp') return `${type} '${value}'`;
  return typeof value === 'string' ? `'${value.replaceAll("'", "''")}'` : String(value);
}

/** `over (…)` as text, each part written by `write`. */
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
