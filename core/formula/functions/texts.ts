import { MISSING_TEXT, TextCodes, type ColumnType } from 'core/table';
import { lengthFor, strideOf, type NumericVec, type TextVec, type Vec } from '../evaluate/vec';
import type { Scalar } from './entry';

/** A function from text to text, computed once per distinct text. */
export function mapTexts(arg: TextVec, change: (text: string) => string): TextVec {
  const codes = new TextCodes();
  const translated = arg.dictionary.map(text => codes.codeOf(change(text)));
  const data = arg.data.map(code => translated[code] ?? MISSING_TEXT);
  return { type: 'text', data, dictionary: codes.dictionary, constant: arg.constant };
}

/** A function from text to number, computed once per distinct text. */
export function measureTexts(arg: TextVec, measure: (text: string) => number): NumericVec {
  const measured = arg.dictionary.map(measure);
  return { type: 'number', data: Float64Array.from(arg.data, code => measured[code] ?? NaN), constant: arg.constant };
}

type Plain = string | number | undefined;

/** A function of several arguments; undefined stands for missing. Rows with equal arguments are computed once. */
export function perRow<T extends string | number>(
  args: readonly Vec[],
  rows: number,
  compute: (values: readonly Plain[]) => T | undefined,
): (T | undefined)[] {
  const length = lengthFor(rows, ...args);
  const known = new Map<string, T | undefined>();
  return Array.from({ length }, (_, row) => {
    const values = args.map(arg => plainAt(arg as TextVec | NumericVec, row * strideOf(arg)));
    const key = values.map(keyOfPlain).join('');
    const found = known.get(key);
    if (found !== undefined) return found;
    const result = compute(values);
    if (known.size < 10_000) known.set(key, result);
    return result;
  });
}

// A missing value is not an empty text, and no text can look like two.
const keyOfPlain = (value: Plain): string =>
  value === undefined ? 'm' : typeof value === 'string' ? `t${value.length}:${value}` : `n${value};`;

function plainAt(arg: TextVec | NumericVec, at: number): Plain {
  if (arg.type === 'text') return arg.dictionary[arg.data[at] as number];
  const value = arg.data[at] as number;
  return value === value ? value : undefined;
}

function textVec(texts: readonly (string | undefined)[], constant: boolean): TextVec {
  const codes = new TextCodes();
  const data = Int32Array.from(texts, text => (text === undefined ? MISSING_TEXT : codes.codeOf(text)));
  return { type: 'text', data, dictionary: codes.dictionary, constant };
}

/** Whether no argument is missing in a row. */
export const areThere = (values: readonly Plain[]): boolean => !values.includes(undefined);
const texts =
  (compute: (...values: never[]) => string | undefined): Scalar['run'] =>
  (args, rows) =>
    textVec(
      perRow(args, rows, values => (areThere(values) ? compute(...(values as never[])) : undefined)),
      args.every(arg => arg.constant),
    );

const TEXT: readonly ColumnType[] = ['text'];
const NUMBER: readonly ColumnType[] = ['number'];

function unary(signature: string, help: string, example: string, change: (text: string) => string): Scalar {
  return {
    group: 'text',
    signature,
    help,
    example,
    arity: [1, 1, 'one text'],
    takes: [TEXT],
    gives: 'text',
    run: ([arg]) => mapTexts(arg as TextVec, change),
  };
}

/** Longest text that a formula makes, in characters: a longer one is missing, and its rows are counted. */
export const LONGEST_TEXT = 100_000;

const bounded = (length: number, make: () => string): string | undefined => (length > LONGEST_TEXT ? undefined : make());

/** Removes spaces, or given characters, at one end or both. */
function trimming(name: string, help: string, example: string, start: boolean, end: boolean): Scalar {
  return {
    group: 'text',
    signature: `${name}(t[, characters])`,
    help,
    example,
    arity: [1, 2, 'a text, and which characters to take off'],
    takes: [TEXT],
    gives: 'text',
    run: texts((text: string, characters = ' ') => {
      const [letters, off] = [Array.from(text), new Set(Array.from(characters))];
      let [from, to] = [0, letters.length];
      while (start && from < to && off.has(letters[from] as string)) from++;
      while (end && to > from && off.has(letters[to - 1] as string)) to--;
      return letters.slice(from, to).join('');
    }),
  };
}

/** Other names of `length` in the standard. */
const measure = (signature: string, example: string): Scalar => ({
  group: 'text',
  signature,
  help: 'Number of characters; the same as length.',
  example,
  arity: [1, 1, 'one text'],
  takes: [TEXT],
  gives: 'number',
  run: ([arg]) => measureTexts(arg as TextVec, text => Array.from(text).length),
  sql: ([text]) => `length(${text})`,
});

/** Positions before the first count towards the length, which engines treat differently. */
function substringSql(text: string, from: string, n?: string): string {
  const first = `case when ${from} < 1 then 1 else ${from} end`;
  if (n === undefined) return `substring(${text}, cast(${first} as integer))`;
  const length = `${n} - case when ${from} < 1 then 1 - ${from} else 0 end`;
  return `substring(${text}, cast(${first} as integer), cast(case when ${length} < 0 then 0 else ${length} end as integer))`;
}

/** The standard's substring, in code points: positions before 1 count towards the length. */
function substring(text: string, from: number, length = Infinity): string {
  const start = Math.round(from) - 1;
  const end = start + Math.max(0, Math.round(length));
  return Array.from(text).slice(Math.max(0, start), Math.max(0, end)).join('');
}

/** The first or last n characters; a negative n leaves out that many. */
function side(text: string, n: number, which: 'left' | 'right'): string {
  const characters = Array.from(text);
  const count = n >= 0 ? Math.min(n, characters.length) : Math.max(0, characters.length + n);
  return (which === 'left' ? characters.slice(0, count) : characters.slice(characters.length - count)).join('');
}

const positionOf = (text: string, part: string): number => {
  const at = text.indexOf(part);
  return at < 0 ? 0 : Array.from(text.slice(0, at)).length + 1;
};

/** Functions of texts. */
export const textFunctions = {
  lower: unary('lower(t)', 'In small letters.', 'lower(hut)', text => text.toLowerCase()),
  upper: unary('upper(t)', 'In capital letters.', 'upper(hut)', text => text.toUpperCase()),
  trim: trimming('trim', 'Without spaces, or other characters, at its ends.', 'trim(hut)', true, true),
  ltrim: trimming('ltrim', 'Without spaces, or other characters, at its start.', "ltrim(hut, '0')", true, false),
  rtrim: trimming('rtrim', 'Without spaces, or other characters, at its end.', "rtrim(hut, '.')", false, true),
  length: {
    group: 'text',
    signature: 'length(t)',
    help: 'Number of characters.',
    example: 'length(hut)',
    arity: [1, 1, 'one text'],
    takes: [TEXT],
    gives: 'number',
    run: ([arg]) => measureTexts(arg as TextVec, text => Array.from(text).length),
  },
  char_length: measure('char_length(t)', 'char_length(hut)'),
  character_length: measure('character_length(t)', 'character_length(hut)'),
  overlay: {
    group: 'text',
    signature: 'overlay(t placing by from a[ for n])',
    help: 'n characters from a place on give way to another text; as many as that has, unless said.',
    example: "overlay(hut placing 'X' from 1 for 3)",
    arity: [3, 4, 'a text, what to place in it, where, and for how many characters'],
    takes: [TEXT, TEXT, NUMBER, NUMBER],
    gives: 'text',
    lacks: true,
    run: texts((text: string, by: string, from: number, count?: number) => {
      const length = Math.round(count ?? Array.from(by).length);
      return bounded(substring(text, 1, Math.round(from) - 1).length + by.length + text.length, () =>
        [substring(text, 1, Math.round(from) - 1), by, substring(text, Math.round(from) + length)].join(''),
      );
    }),
    sql: ([text = '', by = '', from = '', n]) => {
      const rest = `${from} + ${n ?? `length(${by})`}`;
      return `(${substringSql(text, '1', `(${from} - 1)`)} || ${by} || ${substringSql(text, `(${rest})`)})`;
    },
  },
  substring: {
    group: 'text',
    signature: 'substring(t, from[, n])',
    help: 'n characters from a place on; the first is 1.',
    example: 'substring(hut, 1, 3)',
    arity: [2, 3, 'a text, a place, and how many characters'],
    takes: [TEXT, NUMBER, NUMBER],
    gives: 'text',
    run: texts(substring),
    sql: ([text = '', from = '', n]) => substringSql(text, from, n),
  },
  replace: {
    group: 'text',
    signature: 'replace(t, from, to)',
    help: 'Every occurrence of a text by another.',
    example: "replace(hut, ' ', '_')",
    arity: [3, 3, 'three texts'],
    takes: [TEXT],
    gives: 'text',
    lacks: true,
    run: texts((text: string, from: string, to: string) => {
      if (from === '') return text;
      const pieces = text.split(from);
      return bounded(text.length + (pieces.length - 1) * (to.length - from.length), () => pieces.join(to));
    }),
  },
  concat: {
    group: 'text',
    signature: 'concat(a, b, …)',
    help: 'Texts joined, missing ones left out; a || b is missing when either is.',
    example: "concat(hut, ', ', valley)",
    arity: [1, Infinity, 'one or more texts'],
    takes: [TEXT],
    gives: 'text',
    lacks: true,
    run: (args, rows) =>
      textVec(
        perRow(args, rows, values => {
          const length = values.reduce((sum: number, value) => sum + String(value ?? '').length, 0);
          return bounded(length, () => values.map(value => value ?? '').join(''));
        }),
        args.every(arg => arg.constant),
      ),
  },
  left: {
    group: 'text',
    signature: 'left(t, n)',
    help: 'The first n characters; a negative n leaves out the last ones.',
    example: 'left(hut, 3)',
    arity: [2, 2, 'a text and a number'],
    takes: [TEXT, NUMBER],
    gives: 'text',
    run: texts((text: string, n: number) => side(text, Math.round(n), 'left')),
    sql: ([text, n]) => `left(${text}, cast(${n} as integer))`,
  },
  right: {
    group: 'text',
    signature: 'right(t, n)',
    help: 'The last n characters; a negative n leaves out the first ones.',
    example: 'right(hut, 3)',
    arity: [2, 2, 'a text and a number'],
    takes: [TEXT, NUMBER],
    gives: 'text',
    run: texts((text: string, n: number) => side(text, Math.round(n), 'right')),
    sql: ([text, n]) => `right(${text}, cast(${n} as integer))`,
  },
  strpos: {
    group: 'text',
    signature: 'strpos(t, part)',
    help: 'Where a text first holds another, from 1; 0 when it does not.',
    example: "strpos(hut, 'moor')",
    arity: [2, 2, 'two texts'],
    takes: [TEXT],
    gives: 'number',
    run: (args, rows) => {
      const found = perRow(args, rows, values => (areThere(values) ? positionOf(values[0] as string, values[1] as string) : undefined));
      return { type: 'number', data: Float64Array.from(found, at => at ?? NaN), constant: args.every(arg => arg.constant) };
    },
  },
} satisfies Record<string, Scalar>;

/** `a || b`: missing when either is. */
export const joinTexts = texts((a: string, b: string) => bounded(a.length + b.length, () => a + b));
