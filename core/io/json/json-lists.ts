import type { Cell } from 'core/table';

/** A list within a JSON text that can be a table; `path`: its keys joined by dots, empty for the whole text. */
export type JsonList = { readonly path: string; readonly length: number } & (
  | { readonly kind: 'records'; readonly records: readonly unknown[] }
  | { readonly kind: 'rows'; readonly rows: readonly (readonly unknown[])[] }
  | { readonly kind: 'columns'; readonly columns: Map<string, (Cell | undefined)[]> }
);

// Lists deeper or more numerous than these are no tables that a person would choose.
const MOST_DEPTH = 6;
const MOST_LISTS = 100;

/** The lists of a JSON text. An object with values and no list is one record. */
export function listsIn(value: unknown): JsonList[] {
  const lists: JsonList[] = [];
  collect(value, '', 0, lists);
  const isRecord = isObject(value) && Object.values(value).some(isScalar);
  return lists.length || !isRecord ? lists : [{ path: '', length: 1, kind: 'records', records: [value] }];
}

function collect(value: unknown, path: string, depth: number, lists: JsonList[]): void {
  if (lists.length >= MOST_LISTS || depth > MOST_DEPTH) return;
  if (Array.isArray(value)) {
    const list = listOf(value, path);
    if (list) lists.push(list);
    return;
  }
  if (!isObject(value)) return;
  const columns = columnsIn(value);
  if (columns) return void lists.push({ path, length: [...columns.values()][0]?.length ?? 0, kind: 'columns', columns });
  for (const [key, inner] of Object.entries(value)) collect(inner, path ? `${path}.${key}` : key, depth + 1, lists);
}

function listOf(items: readonly unknown[], path: string): JsonList | undefined {
  if (items.length === 0) return undefined;
  if (items.every(item => Array.isArray(item))) return { path, length: items.length, kind: 'rows', rows: items };
  return { path, length: items.length, kind: 'records', records: items };
}

/** An object whose values are all lists of scalars of one length. */
function columnsIn(value: Readonly<Record<string, unknown>>): Map<string, (Cell | undefined)[]> | undefined {
  const entries = Object.entries(value);
  const [first] = entries;
  if (!first || !Array.isArray(first[1]) || first[1].length === 0) return undefined;
  const { length } = first[1];
  const isColumn = (list: unknown): list is (Cell | undefined)[] => Array.isArray(list) && list.length === length && list.every(isScalar);
  if (entries.length < 2 || !entries.every(([, list]) => isColumn(list))) return undefined;
  return new Map(entries.map(([key, list]) => [key, [...(list as (Cell | undefined)[])]]));
}

const isScalar = (value: unknown): boolean => value === null || typeof value !== 'object';
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
