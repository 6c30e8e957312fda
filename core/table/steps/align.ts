import { failure, success, type Result } from 'core/result';
import { isNumeric, makeTable, MISSING_BOOLEAN, named, takeColumn, takeValues, type Column, type Table, type Values } from 'core/table';
import { keyCodes, type KeyCodes } from './key-codes';
import { keyColumns, keysTwice, keyText, type AlignedList } from './keys';
import { movedToNearest } from './nearest';
import { MOST_ROWS, toldApart, type Made, type MakingNote } from './step';
import { sumsByCode } from './sums';

/** How lists are aligned: keys of any, of every or of the first list; dates that lie near each other; several rows of one key. */
export interface Alignment {
  readonly how: 'any' | 'every' | 'first';
  readonly nearest: number | null;
  readonly same: 'refuse' | 'sum' | 'first';
}

/**
 * Lists side by side on one key, which takes the names of the first list; gaps stay gaps. Keys come in rising order where every list rises, else as they
 * first come, list after list; rows without a key stand at the end by themselves, since a missing key equals no other. With `nearest` a date of a later list
 * moves to the nearest of the first, so many days away at most, to the earlier of two. Problems: keys of different types, a key twice where that is refused,
 * more than `MOST_ROWS` rows. Cost: a pass over the keys, and one over each column; nothing is looked up where keys rise.
 */
export function align(lists: readonly AlignedList[], { how, nearest, same }: Alignment): Result<Made> {
  const found = keyColumns(lists);
  if (!found.ok) return found;
  const keys = nearest === null ? found.value : nearestKeys(found.value, nearest);
  const codes = keyCodes(keys);
  const parts = lists.map((list, at) => alignedPart(list, codes.codes[at] as Int32Array, codes.count, same));
  const twice =
    same === 'refuse' ? parts.flatMap(({ twice: rows }, at) => (rows.length ? [keysTwice(lists[at] as AlignedList, rows)] : [])) : [];
  if (twice.length) return failure(...twice);
  const kept = keptCodes(parts, codes.count, how);
  const keyless = parts.map(({ keyless: rows }, at) => (how === 'any' || (how === 'first' && at === 0) ? rows : new Int32Array(0)));
  const keyed = kept ? kept.length : codes.count;
  const rowCount = keyed + keyless.reduce((sum, rows) => sum + rows.length, 0);
  if (rowCount > MOST_ROWS) return failure({ code: 'made-too-large', rows: rowCount, limit: MOST_ROWS });
  return success({ table: sideBySide(lists, keys, { parts, kept, keyed, keyless, rowCount }), notes: notesOf(lists, parts, codes) });
}

/** Dates of later lists moved to the nearest of the first; a key of several columns moves by its last. */
function nearestKeys(lists: readonly (readonly Column[])[], days: number): Column[][] {
  const target = lists[0]?.at(-1);
  if (!target || !isMoment(target)) return lists.map(list => [...list]);
  return lists.map((list, at) => {
    const last = list.at(-1);
    if (at === 0 || !last || !isMoment(last)) return [...list];
    return [...list.slice(0, -1), { ...last, data: movedToNearest(last.data, target.data, days, last.type) }];
  });
}

type Moments = Column & { readonly type: 'date' | 'timestamp'; readonly data: Float64Array };
const isMoment = (column: Column): column is Moments => isNumeric(column) && column.type !== 'number';

/** A list with the row of each key. */
interface AlignedPart {
  /** By code, −1 where the list has no such key. */
  readonly rows: Int32Array;
  /** Rows without a key. */
  readonly keyless: Int32Array;
  /** The first rows whose key another had before. */
  readonly twice: readonly number[];
  /** The list's columns with sums in the place of numbers, by code, where they are summed. */
  readonly sums: ReadonlyMap<string, Float64Array>;
}

// Rows of one key that are named, and keys without a partner: those are listed as far as one can read them.
const SHOWN = 5;
const LISTED = 50;

function alignedPart({ table, keys }: AlignedList, codes: Int32Array, count: number, same: Alignment['same']): AlignedPart {
  const rows = new Int32Array(count).fill(-1);
  const [keyless, twice]: [number[], number[]] = [[], []];
  let isTwice = false;
  for (let row = 0; row < codes.length; row++) {
    const code = codes[row] as number;
    if (code < 0) keyless.push(row);
    else if (rows[code] === -1) rows[code] = row;
    else {
      isTwice = true;
      if (twice.length < SHOWN) twice.push(row);
    }
  }
  const summed = same === 'sum' && isTwice ? table.columns.filter(({ name, type }) => type === 'number' && !keys.includes(name)) : [];
  const sums = new Map(summed.map(({ name, data }) => [name, sumsByCode(data as Float64Array, codes, count)]));
  return { rows, keyless: Int32Array.from(keyless), twice, sums };
}

/** The codes that the result has a row for, in their order; null for all. */
function keptCodes(parts: readonly AlignedPart[], count: number, how: Alignment['how']): Int32Array | null {
  if (how === 'any') return null;
  const kept = new Int32Array(count);
  const needed = how === 'first' ? parts.slice(0, 1) : parts;
  let size = 0;
  for (let code = 0; code < count; code++) if (needed.every(({ rows }) => (rows[code] as number) >= 0)) kept[size++] = code;
  return kept.subarray(0, size);
}

interface Layout {
  readonly parts: readonly AlignedPart[];
  /** The codes that the result has rows for; null for all, in their order. */
  readonly kept: Int32Array | null;
  /** How many rows have a key. */
  readonly keyed: number;
  /** Rows without a key that the result shows, by list. */
  readonly keyless: readonly Int32Array[];
  readonly rowCount: number;
}

function sideBySide(lists: readonly AlignedList[], keys: readonly (readonly Column[])[], layout: Layout): Table {
  const { parts } = layout;
  const sources = parts.map((_, at) => sourceRows(layout, at));
  const [first] = lists as readonly [AlignedList, ...AlignedList[]];
  const keyValues = first.keys.map((key, part) => {
    const columns = keys.map(list => list[part] as Column);
    return named(key, firstThere(columns, sources, layout.rowCount));
  });
  const others = lists.flatMap((list, at) =>
    list.table.columns.filter(({ name }) => !list.keys.includes(name)).map(column => ({ name: column.name, of: list.name, column, at })),
  );
  const names = toldApart(others, first.keys);
  const columns = others.map(({ column, at }, i) => {
    const sums = parts[at]?.sums.get(column.name);
    const rows = sources[at] as Int32Array;
    return sums ? named(names[i] as string, summedColumn(column, sums, layout, at)) : named(names[i] as string, takeColumn(column, rows));
  });
  return makeTable(first.name, [...keyValues, ...columns]);
}

/** The row of one list behind each row of the result; −1 where it has none. */
function sourceRows({ parts, kept, keyed, keyless, rowCount }: Layout, at: number): Int32Array {
  const { rows } = parts[at] as AlignedPart;
  if (!kept && rowCount === keyed) return rows;
  const sources = new Int32Array(rowCount).fill(-1);
  if (kept) for (let i = 0; i < keyed; i++) sources[i] = rows[kept[i] as number] as number;
  else sources.set(rows);
  const before = keyless.slice(0, at).reduce((sum, list) => sum + list.length, keyed);
  sources.set(keyless[at] as Int32Array, before);
  return sources;
}

/** Sums by key; rows without one stand for themselves. */
function summedColumn({ data }: Column, sums: Float64Array, { kept, keyed, keyless, rowCount }: Layout, at: number): Values {
  const values = new Float64Array(rowCount).fill(NaN);
  for (let i = 0; i < keyed; i++) values[i] = sums[kept ? (kept[i] as number) : i] as number;
  const before = keyless.slice(0, at).reduce((sum, list) => sum + list.length, keyed);
  for (const [i, row] of (keyless[at] as Int32Array).entries()) values[before + i] = data[row] as number;
  return { type: 'number', data: values };
}

/** A part of the key from the first list that has the row. */
function firstThere(columns: readonly Column[], sources: readonly Int32Array[], rowCount: number): Values {
  const [first] = columns as readonly [Column, ...Column[]];
  if (first.type === 'text') return textsThere(columns, sources, rowCount);
  const values = takeValues(first, sources[0] as Int32Array);
  for (let at = 1; at < columns.length; at++) {
    const [from, rows] = [columns[at] as Column, sources[at] as Int32Array];
    // Each sort of memory by itself: a loop over several is many times slower.
    if (values.type === 'boolean' && from.type === 'boolean') fillAnswers(values.data, from.data, rows);
    else if (isNumeric(values) && isNumeric(from)) fillNumbers(values.data, from.data, rows);
  }
  return values;
}

/** Fills what is missing: a key that is there is the same in every list. */
function fillNumbers(into: Float64Array, from: Float64Array, rows: Int32Array): void {
  for (let i = 0; i < into.length; i++) {
    const row = rows[i] as number;
    if (row >= 0 && Number.isNaN(into[i])) into[i] = from[row] as number;
  }
}

function fillAnswers(into: Uint8Array, from: Uint8Array, rows: Int32Array): void {
  for (let i = 0; i < into.length; i++) {
    const row = rows[i] as number;
    if (row >= 0 && into[i] === MISSING_BOOLEAN) into[i] = from[row] as number;
  }
}

function textsThere(columns: readonly Column[], sources: readonly Int32Array[], rowCount: number): Values {
  const dictionary: string[] = [];
  const codes = new Map<string, number>();
  const data = new Int32Array(rowCount).fill(-1);
  for (const [at, column] of columns.entries()) {
    if (column.type !== 'text') continue;
    const own = column.dictionary.map(text => {
      const code = codes.get(text) ?? codes.size;
      if (code === codes.size) dictionary.push(text);
      codes.set(text, code);
      return code;
    });
    const rows = sources[at] as Int32Array;
    for (let i = 0; i < rowCount; i++) {
      const row = rows[i] as number;
      const code = row < 0 ? -1 : (column.data[row] as number);
      if (code >= 0 && data[i] === -1) data[i] = own[code] as number;
    }
  }
  return { type: 'text', data, dictionary };
}

/** Keys that one list alone has, and rows without a key, each with a few of them. */
function notesOf(lists: readonly AlignedList[], parts: readonly AlignedPart[], { count }: KeyCodes): MakingNote[] {
  return lists.flatMap(({ name, table, keys }, at): MakingNote[] => {
    const { rows, keyless } = parts[at] as AlignedPart;
    const others = hasAny(
      parts.filter((_, i) => i !== at).map(part => part.rows),
      count,
    );
    let alone = 0;
    const examples: string[] = [];
    for (let code = 0; code < count; code++) {
      const row = rows[code] as number;
      if (row >= 0 && (others[code] as number) < 0 && alone++ < LISTED) examples.push(keyText(table, keys, row));
    }
    return [
      ...(alone ? [{ code: 'keys-alone' as const, isNote: true as const, table: name, count: alone, examples }] : []),
      ...(keyless.length ? [{ code: 'keys-missing' as const, isNote: true as const, table: name, count: keyless.length }] : []),
    ];
  });
}

/** By code, −1 where no list has the key; of one list, its own rows tell. */
function hasAny(lists: readonly Int32Array[], count: number): Int32Array {
  const [only] = lists;
  if (lists.length === 1 && only) return only;
  const has = new Int32Array(count).fill(-1);
  for (const rows of lists) for (let code = 0; code < count; code++) if ((rows[code] as number) >= 0) has[code] = 0;
  return has;
}
