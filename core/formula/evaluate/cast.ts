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
import { mapTexts, roundedTo } from '../functions';
import { materialise, type BooleanVec, type NumericVec, type TextVec, type Vec } from './vec';

/** The target type of a `cast`; `integer` is a number without decimals. */
export interface CastTarget {
  readonly type: ColumnType;
  readonly whole: boolean;
  /** `decimal(p, s)`: at most p digits, s of them decimals. */
  readonly digits: { readonly all: number; readonly decimals: number } | null;
  /** `varchar(n)`: most characters; `timestamp(n)`: decimals of a second. */
  readonly size: number | null;
  /** The type's own name, for keys. */
  readonly key: string;
}

type Sizes = readonly number[];
const plain = (type: ColumnType, whole = false): CastTarget => ({ type, whole, digits: null, size: null, key: whole ? 'integer' : type });

/** A type without a size. */
const bare = (target: CastTarget) => (sizes: Sizes) => (sizes.length ? undefined : target);
const floating = (sizes: Sizes) => (sizes.length > 1 || (sizes[0] ?? 1) < 1 || (sizes[0] ?? 1) > 53 ? undefined : plain('number'));

/** Digits in all, and decimals; 0 decimals by default. */
function exact(sizes: Sizes): CastTarget | undefined {
  const [all, decimals = 0] = sizes;
  if (all === undefined) return plain('number');
  if (all < 1 || all > 38 || decimals > all) return undefined;
  return { ...plain('number'), digits: { all, decimals }, key: `decimal(${all}, ${decimals})` };
}

function characters(sizes: Sizes): CastTarget | undefined {
  const [size = null] = sizes;
  if (size === null) return plain('text');
  return size < 1 || sizes.length > 1 ? undefined : { ...plain('text'), size, key: `varchar(${size})` };
}

function moment(sizes: Sizes): CastTarget | undefined {
  const [size = null] = sizes;
  if (size === null) return plain('timestamp');
  return size > 9 || sizes.length > 1 ? undefined : { ...plain('timestamp'), size: Math.min(3, size), key: `timestamp(${size})` };
}

/** Type names of the standard and common short ones, each with the target for its sizes. */
const TARGETS: Readonly<Record<string, (sizes: Sizes) => CastTarget | undefined>> = {
  'double precision': bare(plain('number')),
  double: bare(plain('number')),
  float: floating,
  real: bare(plain('number')),
  numeric: exact,
  decimal: exact,
  dec: exact,
  integer: bare(plain('number', true)),
  int: bare(plain('number', true)),
  bigint: bare(plain('number', true)),
  smallint: bare(plain('number', true)),
  text: bare(plain('text')),
  varchar: characters,
  'character varying': characters,
  char: characters,
  character: characters,
  boolean: bare(plain('boolean')),
  date: bare(plain('date')),
  timestamp: moment,
};

/** Types that `cast` knows, by their names in SQL. */
export const CAST_TYPES: readonly string[] = Object.keys(TARGETS);

/** The target of a type name; undefined for an unknown type, `sizes` where the sizes are wrong for it. */
export function castTarget(name: string, sizes: Sizes): CastTarget | undefined | 'sizes' {
  const plainName = name.replaceAll(/\s+/g, ' ');
  const make = Object.hasOwn(TARGETS, plainName) ? TARGETS[plainName] : undefined;
  return make && (make(sizes) ?? 'sizes');
}

const MS_PER_DAY = 86_400_000;
const PLAIN_NUMBER = /^\s*[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?\s*$/i;

/** Which types a type can be cast to. */
export function mayCast(from: ColumnType, { type }: CastTarget): boolean {
  if (from === type || from === 'text' || type === 'text') return true;
  const pair = [from, type].sort().join(' ');
  return pair === 'boolean number' || pair === 'date timestamp';
}

/** Values as another type. A text that cannot be read as the type, and a number with too many digits, become missing. */
export function castVec(arg: Vec, target: CastTarget): Vec {
  const cast = castPlain(arg, target);
  if (target.digits && cast.type === 'number') return { ...cast, data: cast.data.map(value => inDigits(value, target.digits as never)) };
  if (target.size !== null && cast.type === 'text') return mapTexts(cast, text => cutText(text, target.size as number));
  if (target.size !== null && cast.type === 'timestamp') {
    const step = 10 ** (3 - target.size);
    return { ...cast, data: cast.data.map(ms => Math.round(ms / step) * step) };
  }
  return cast;
}

const cutText = (text: string, size: number): string => (text.length <= size ? text : Array.from(text).slice(0, size).join(''));

function inDigits(value: number, { all, decimals }: NonNullable<CastTarget['digits']>): number {
  const rounded = roundedTo(value, decimals);
  return Math.abs(rounded) < 10 ** (all - decimals) ? rounded : NaN;
}

function castPlain(arg: Vec, { type, whole }: CastTarget): Vec {
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

/** Rounds halves to the even neighbour, as engines do in casts of floating-point numbers. */
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
    number: (words: string) => numberOf(words, whole),
    date: (words: string) => parseIsoDate(words.trim()),
    timestamp: (words: string) => momentOf(words.trim()),
    boolean: (words: string) => WORDS[words.trim().toLowerCase()] ?? MISSING_BOOLEAN,
  }[type];
  const known = arg.dictionary.map(read);
  if (type === 'boolean') return { type, data: Uint8Array.from(arg.data, code => known[code] ?? MISSING_BOOLEAN), constant: arg.constant };
  return { type, data: Float64Array.from(arg.data, code => known[code] ?? NaN), constant: arg.constant };
}

function numberOf(words: string, whole: boolean): number {
  const value = PLAIN_NUMBER.test(words) ? Number(words) : NaN;
  if (!Number.isFinite(value)) return NaN;
  return whole ? halfEven(value) : value;
}

function momentOf(words: string): number {
  const moment = parseIsoTimestamp(words);
  return moment === moment ? moment : parseIsoDate(words) * MS_PER_DAY;
}
