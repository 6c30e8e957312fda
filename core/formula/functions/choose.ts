import { isMissing, MISSING_BOOLEAN, MISSING_TEXT, TextCodes } from 'core/table';
import { compareVecs } from '../evaluate/compare';
import { lengthFor, strideOf, type TextVec, type Vec } from '../evaluate/vec';
import type { Scalar } from './entry';

/** For each row the value of the argument that `pick` gives; −1 gives missing. */
export function choose(args: readonly Vec[], n: number, pick: (row: number) => number): Vec {
  const which = new Int16Array(n);
  for (let row = 0; row < n; row++) which[row] = pick(row);
  return chooseBy(args, which);
}

/** For each row the value of the argument at the index in `which`; −1 gives missing. */
export function chooseBy(args: readonly Vec[], which: Int16Array): Vec {
  const n = which.length;
  const constant = args.every(arg => arg.constant) && n === 1;
  const type = (args[0] as Vec).type;
  if (type === 'text') return chooseText(args as readonly TextVec[], which, constant);
  const data = type === 'boolean' ? new Uint8Array(n).fill(MISSING_BOOLEAN) : new Float64Array(n).fill(NaN);
  const [sources, strides] = [args.map(arg => arg.data), args.map(strideOf)];
  for (let row = 0; row < n; row++) {
    const at = which[row] as number;
    if (at >= 0) data[row] = (sources[at] as Vec['data'])[row * (strides[at] as number)] as number;
  }
  return { type, data, constant } as Vec;
}

function chooseText(args: readonly TextVec[], which: Int16Array, constant: boolean): Vec {
  const codes = new TextCodes();
  const translated = args.map(arg => arg.dictionary.map(text => codes.codeOf(text)));
  const [sources, strides] = [args.map(arg => arg.data), args.map(strideOf)];
  const data = new Int32Array(which.length).fill(MISSING_TEXT);
  for (let row = 0; row < data.length; row++) {
    const at = which[row] as number;
    if (at >= 0) data[row] = translated[at]?.[sources[at]?.[row * (strides[at] as number)] as number] ?? MISSING_TEXT;
  }
  return { type: 'text', data, dictionary: codes.dictionary, constant };
}

function coalesce(args: readonly Vec[], rows: number): Vec {
  const n = lengthFor(rows, ...args);
  return choose(args, n, row => args.findIndex(arg => !isMissing(arg, row * strideOf(arg))));
}

function nullIf([first, second]: readonly Vec[], rows: number): Vec {
  const [left, right] = [first as Vec, second as Vec];
  const equal = compareVecs('=', left, right, rows);
  return choose([left], lengthFor(rows, left, right), row => (equal.data[row * strideOf(equal)] === 1 ? -1 : 0));
}

/** Functions for missing values, and functions that choose among arguments. */
export const missingFunctions = {
  coalesce: {
    group: 'missing',
    signature: 'coalesce(a, b, …)',
    arity: [1, Infinity, 'one or more values'],
    takes: 'same',
    gives: 'same',
    help: 'The first value that is not missing.',
    example: 'coalesce(milk, 0)',
    run: coalesce,
  },
  nullif: {
    group: 'missing',
    signature: 'nullif(a, b)',
    arity: [2, 2, 'two values'],
    takes: 'same',
    gives: 'same',
    help: 'Missing when both values are equal, otherwise the first.',
    example: 'nullif(milk, 0)',
    run: nullIf,
  },
} satisfies Record<string, Scalar>;
