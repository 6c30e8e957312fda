import {
  isoDate,
  isoTimestamp,
  MISSING_BOOLEAN,
  MISSING_TEXT,
  parseIsoDate,
  parseIsoTimestamp,
  TextCodes,
  type ColumnType,
} from 'core/table';
import { materialise, type BooleanVec, type NumericVec, type TextVec, type Vec } from './vec';

/** What a type of `cast` makes; `integer` is a number without decimals. */
export interface CastTarget {
  readonly type: ColumnType;
  readonly whole: boolean;
}

const number: CastTarget = { type: 'number', whole: false };
const whole: CastTarget = { type: 'number', whole: true };
const text: CastTarget = { type: 'text', whole: false };

/** Type names of the standard, and the short ones that engines share. */
const TARGETS: Readonly<Record<string, CastTarget>> = {
  'double precision': number,
  double: number,
  float: number,
  real: number,
  numeric: number,
  decimal: number,
  integer: whole,
  int: whole,
  bigint: whole,
  smallint: whole,
  text,
  varchar: text,
  'character varying': text,
  boolean: { type: 'boolean', whole: false },
  date: { type: 'date', whole: false },
  timestamp: { type: 'timestamp', whole: false },
};

export const CAST_TYPES: readonly string[] = Object.keys(TARGETS);
export const castTarget = (name: string): CastTarget | undefined => TARGETS[name.replaceAll(/\s+/g, ' ')];

const MS_PER_DAY = 86_400_000;
const PLAIN_NUMBER = /^\s*[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?\s*$/i;

/** Which types a type can be cast to. */
export function mayCast(from: ColumnType, { type }: CastTarget): boolean {
  if (from === type || from === 'text' || type === 'text') return true;
  const pair = [from, type].sort().join(' ');
  return pair === 'boolean number' || pair === 'date timestamp';
}

/** Values of another type; a text that does not read as the type is missing. */
export function castVec(arg: Vec, { type, whole }: CastTarget): Vec {
  if (type === 'text') return toText(arg);
  if (arg.type === 'text') return fromText(arg, type, whole);
  if (type === 'boolean' || arg.type === 'boolean') return throughBoolean(arg, type);
  const data = arg.data.map(momentOrNumber(arg.type, type, whole));
  return { type, data, constant: arg.constant };
}

function momentOrNumber(from: ColumnType, to: ColumnType, whole: boolean): (raw: number) => number {
  if (from === 'date' && to === 'timestamp') return raw => raw * MS_PER_DAY;
  if (from === 'timestamp' && to === 'date') return raw => Math.floor(raw / MS_PER_DAY);
  return whole ? halfEven : raw => raw;
}

/** Halves go to the even neighbour, as engines cast floating-point numbers. */
export function halfEven(value: number): number {
  const below = Math.floor(value);
  const rest = value - below;
  if (rest !== 0.5) return Math.round(value);
  return below % 2 === 0 ? below : below + 1;
}

function throughBoolean(arg: NumericVec | BooleanVec, type: ColumnType): Vec {
  if (arg.type === type) return arg;
  if (type === 'boolean')
    return { type, data: Uint8Array.from(arg.data, raw => (raw !== raw ? MISSING_BOOLEAN : raw === 0 ? 0 : 1)), constant: arg.constant };
  return { type: 'number', data: Float64Array.from(arg.data, raw => (raw === MISSING_BOOLEAN ? NaN : raw)), constant: arg.constant };
}

function toText(arg: Vec): Vec {
  if (arg.type === 'text') return arg;
  const write = {
    number: (raw: number) => String(raw),
    date: isoDate,
    timestamp: isoTimestamp,
    boolean: (raw: number) => (raw === 1 ? 'true' : 'false'),
  }[arg.type];
  const marker = arg.type === 'boolean' ? MISSING_BOOLEAN : NaN;
  const codes = new TextCodes();
  const { data } = materialise(arg, arg.data.length);
  const out = Int32Array.from(data as ArrayLike<number>, raw =>
    raw !== raw || raw === marker ? MISSING_TEXT : codes.codeOf(write(raw + 0)),
  );
  return { type: 'text', data: out, dictionary: codes.dictionary, constant: arg.constant };
}

const WORDS: Readonly<Record<string, number>> = { true: 1, t: 1, yes: 1, '1': 1, false: 0, f: 0, no: 0, '0': 0 };

function fromText(arg: TextVec, type: Exclude<ColumnType, 'text'>, whole: boolean): Vec {
  const read = {
    number: (words: string) => (PLAIN_NUMBER.test(words) ? (whole ? halfEven(Number(words)) : Number(words)) : NaN),
    date: (words: string) => parseIsoDate(words.trim()),
    timestamp: (words: string) => momentOf(words.trim()),
    boolean: (words: string) => WORDS[words.trim().toLowerCase()] ?? MISSING_BOOLEAN,
  }[type];
  const known = arg.dictionary.map(read);
  if (type === 'boolean') return { type, data: Uint8Array.from(arg.data, code => known[code] ?? MISSING_BOOLEAN), constant: arg.constant };
  return { type, data: Float64Array.from(arg.data, code => known[code] ?? NaN), constant: arg.constant };
}

function momentOf(words: string): number {
  const moment = parseIsoTimestamp(words);
  return moment === moment ? moment : parseIsoDate(words) * MS_PER_DAY;
}
