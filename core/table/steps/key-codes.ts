import { isNumeric, MISSING_BOOLEAN, type Column } from 'core/table';
import { NumberCodes } from './number-codes';

/** One code per row and list for equal keys, in the order in which they first come, list after list; −1 where a part of the key is missing. */
export interface KeyCodes {
  readonly codes: readonly Int32Array[];
  /** How many different keys there are. */
  readonly count: number;
}

/** Codes of the keys of several lists, each with the same columns in its key, of the same types. Cost: a few passes over the keys. */
export function keyCodes(lists: readonly (readonly Column[])[]): KeyCodes {
  const [first = [], ...more] = (lists[0] ?? []).map((_, part) => partCodes(lists.map(list => list[part] as Column)));
  return more.reduce<KeyCodes>(combined, first as KeyCodes);
}

function partCodes(columns: readonly Column[]): KeyCodes {
  const [first] = columns;
  if (first && isNumeric(first)) return numberCodes(columns.map(({ data }) => data as Float64Array));
  return first?.type === 'text' ? textCodes(columns) : answerCodes(columns);
}

function numberCodes(lists: readonly Float64Array[]): KeyCodes {
  const range = rangeOf(lists);
  const isInOrder = lists.every(isRising);
  if (range) return isInOrder ? denseRisingCodes(lists, range) : denseCodes(lists, range);
  if (isInOrder) return risingCodes(lists);
  const known = new NumberCodes(Math.max(...lists.map(list => list.length)));
  const codes = lists.map(list => {
    const own = new Int32Array(list.length);
    for (let row = 0; row < list.length; row++) {
      const key = list[row] as number;
      own[row] = key === key ? known.codeOf(key) : -1;
    }
    return own;
  });
  return { codes, count: known.size };
}

/** Where whole numbers lie. */
interface Range {
  readonly low: number;
  readonly high: number;
}

// Whole numbers lie close together where their range is no wider than so many times their count: days, years, running numbers.
const CLOSE = 4;
const SMALL = 1 << 16;

/** The range of whole numbers that lie close together; null for any others. Missing ones are no matter. */
function rangeOf(lists: readonly Float64Array[]): Range | null {
  let [low, high, count] = [Infinity, -Infinity, 0];
  for (const list of lists) {
    for (let row = 0; row < list.length; row++) {
      const key = list[row] as number;
      if (key !== key) continue;
      if (key !== Math.floor(key)) return null;
      if (key < low) low = key;
      if (key > high) high = key;
    }
    count += list.length;
  }
  return low <= high && high - low <= Math.max(SMALL, count * CLOSE) ? { low, high } : null;
}

/** Close whole numbers are looked up by their place in the range: codes as they first come. */
function denseCodes(lists: readonly Float64Array[], { low, high }: Range): KeyCodes {
  const known = new Int32Array(high - low + 1).fill(-1);
  let count = 0;
  const codes = lists.map(list => {
    const own = new Int32Array(list.length);
    for (let row = 0; row < list.length; row++) {
      const key = list[row] as number;
      if (key !== key) {
        own[row] = -1;
        continue;
      }
      const code = known[key - low] as number;
      own[row] = code === -1 ? (known[key - low] = count++) : code;
    }
    return own;
  });
  return { codes, count };
}

/** Close whole numbers of lists that rise: each key's code is how many lie below it. */
function denseRisingCodes(lists: readonly Float64Array[], { low, high }: Range): KeyCodes {
  const code = new Int32Array(high - low + 1).fill(-1);
  for (const list of lists) for (let row = 0; row < list.length; row++) code[(list[row] as number) - low] = 0;
  let count = 0;
  for (let place = 0; place < code.length; place++) if (code[place] === 0) code[place] = count++;
  const codes = lists.map(list => {
    const own = new Int32Array(list.length);
    for (let row = 0; row < list.length; row++) own[row] = code[(list[row] as number) - low] as number;
    return own;
  });
  return { codes, count };
}

/** Whether numbers rise from row to row, none missing, none twice. */
function isRising(list: Float64Array): boolean {
  for (let row = 1; row < list.length; row++) if (!((list[row] as number) > (list[row - 1] as number))) return false;
  return list.length === 0 || !Number.isNaN(list[0]);
}

/** Lists that rise are walked side by side: their keys come in order, and nothing has to be looked up. */
function risingCodes(lists: readonly Float64Array[]): KeyCodes {
  const union = lists.reduce(merged);
  const codes = lists.map(list => {
    const own = new Int32Array(list.length);
    for (let row = 0, at = 0; row < list.length; row++, at++) {
      while ((union[at] as number) < (list[row] as number)) at++;
      own[row] = at;
    }
    return own;
  });
  return { codes, count: union.length };
}

function merged(a: Float64Array, b: Float64Array): Float64Array {
  const union = new Float64Array(a.length + b.length);
  let [i, j, size] = [0, 0, 0];
  while (i < a.length && j < b.length) {
    const [left, right] = [a[i] as number, b[j] as number];
    union[size++] = left < right ? left : right;
    if (left <= right) i++;
    if (right <= left) j++;
  }
  while (i < a.length) union[size++] = a[i++] as number;
  while (j < b.length) union[size++] = b[j++] as number;
  return union.subarray(0, size);
}

/** Texts are told apart once per dictionary; a text that no row has takes no code. */
function textCodes(columns: readonly Column[]): KeyCodes {
  const known = new Map<string, number>();
  const codes = columns.map(column => {
    const dictionary = column.type === 'text' ? column.dictionary : [];
    const codeOf = new Int32Array(dictionary.length).fill(-1);
    return Int32Array.from(column.data as Int32Array, own => {
      if (own < 0) return -1;
      if (codeOf[own] === -1) codeOf[own] = codeIn(known, dictionary[own] as string);
      return codeOf[own] as number;
    });
  });
  return { codes, count: known.size };
}

function codeIn(known: Map<string, number>, text: string): number {
  const code = known.get(text) ?? known.size;
  if (code === known.size) known.set(text, code);
  return code;
}

function answerCodes(columns: readonly Column[]): KeyCodes {
  const known = new NumberCodes(4);
  const codes = columns.map(({ data }) => Int32Array.from(data as Uint8Array, raw => (raw === MISSING_BOOLEAN ? -1 : known.codeOf(raw))));
  return { codes, count: known.size };
}

/** Codes of two parts of a key as codes of both together. */
function combined(a: KeyCodes, b: KeyCodes): KeyCodes {
  const known = new NumberCodes(Math.max(a.count, b.count));
  const codes = a.codes.map((own, list) => {
    const other = b.codes[list] as Int32Array;
    return own.map((code, row) => {
      const right = other[row] as number;
      // Fewer than 2³¹ of each: together they are whole numbers that a float holds.
      return code < 0 || right < 0 ? -1 : known.codeOf(code * b.count + right);
    });
  });
  return { codes, count: known.size };
}
