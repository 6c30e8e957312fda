import { aggregateSheet, countOf, type Conditions } from './sheet-aggregates';
import { scalarSheet, truncSheet } from './sheet-functions';
import type { Typed, TypedAggregate, TypedOrder, TypedWindow, TypedWindowCall } from '../evaluate/typed';

/** A placeholder for the row number; it cannot occur in a formula. */
export const ROW = '\u0000';

/** A column of cells that formulas refer to. */
export interface SheetColumn {
  /** Its cell in the current row, such as `$C\u0000`. */
  readonly cell: string;
  /** All its cells, such as `$C$2:$C$21`. */
  readonly range: string;
  /** Missing cells are empty, where those of formulas hold an empty text. */
  readonly isRaw: boolean;
}

/** What a spreadsheet formula can refer to, and the additional columns that it can ask for. */
export interface SheetRoom {
  /** A column by its name; undefined where it is not in the sheet. */
  column(name: string): SheetColumn | undefined;
  /** An additional column for a part of a formula, one per part; null where the part has no spreadsheet formula. */
  part(f: Typed): SheetColumn | null;
  /** A column with the partition number of each row; null where its keys may change with the cells. */
  partition(keys: readonly Typed[]): SheetColumn | null;
  /** A column with each row's rank within its partition, from 1, equal keys sharing one; `isUnique`: no two rows of a partition share one. */
  place(keys: readonly Typed[], order: readonly TypedOrder[]): (SheetColumn & { readonly isUnique: boolean }) | null;
  /** For aggregates without a window: the table's rows behind a group, and the columns of their arguments; null where there are none. */
  behind(f: TypedAggregate): { readonly values: SheetColumn | null; readonly conditions: Conditions } | null;
  /** Number of rows of the sheet. */
  readonly rows: number;
}

/** A spreadsheet formula without its equals sign; `isArray`: it must be entered as an array formula. */
export interface SheetText {
  readonly text: string;
  readonly isArray: boolean;
}

// Characters that a spreadsheet takes in one formula, and in one text within it.
const [LONGEST, LONGEST_TEXT] = [8_000, 255];
// Operands longer than this, which are written twice, get a column of their own.
const SHORT = 90;

/** Thrown internally where a part has no spreadsheet formula. */
class NotInSheets extends Error {}

/**
 * A checked formula as a spreadsheet formula with functions that all spreadsheets have. Missing is an empty text, and stays missing in arithmetic.
 * Null where a part has none, or where it would be too long.
 */
export function sheetText(f: Typed, room: SheetRoom): SheetText | null {
  const writer = new SheetWriter(room);
  try {
    const text = writer.write(f);
    return text.length <= LONGEST ? { text, isArray: writer.isArray } : null;
  } catch (error) {
    if (error instanceof NotInSheets) return null;
    throw error;
  }
}

/** Missing. */
const NONE = '""';
const isNone = (text: string): string => `${text}=""`;

class SheetWriter {
  isArray = false;

  constructor(private readonly room: SheetRoom) {}

  write(f: Typed): string {
    switch (f.op) {
      case 'constant':
        return constantSheet(f);
      case 'column':
        return this.reference(f.name);
      case 'negate':
        return this.over([f.arg], ([x = '']) => `-(${x})`);
      case 'not':
        return this.over([f.arg], ([x = '']) => `NOT(${x})`);
      case 'arithmetic':
        return this.arithmetic(f);
      case 'days-between':
        return this.over([f.left, f.right], ([a = '', b = '']) => `${a}-${b}`);
      case 'join':
        return this.over([f.left, f.right], ([a = '', b = '']) => `${a}&${b}`);
      case 'compare':
        return this.over([f.left, f.right], ([a = '', b = '']) => compared(f, a, b));
      case 'and':
      case 'or':
        return this.both(f);
      case 'is-null':
        return f.negated ? `NOT(${isNone(this.write(f.arg))})` : `(${isNone(this.write(f.arg))})`;
      case 'is-truth':
        return f.negated ? `NOT(${this.write(f.arg)}=${truth(f.truth)})` : `(${this.write(f.arg)}=${truth(f.truth)})`;
      case 'is-distinct':
        return this.distinct(f);
      case 'in':
        return this.among(f);
      case 'case':
        return this.cases(f);
      case 'cast':
        return this.cast(f);
      case 'extract':
        return this.over([f.arg], ([x = '']) => EXTRACTS[f.field]?.(x) ?? never());
      case 'scalar':
        return this.scalar(f);
      case 'aggregate':
        return f.window ? this.windowed(f, f.window) : this.grouped(f);
      case 'window':
        return this.windowCall(f);
      default:
        return never();
    }
  }

  /** A formula for arguments that are not missing, missing where one is. */
  private over(args: readonly Typed[], write: (texts: readonly string[]) => string): string {
    const texts = args.map(arg => this.short(arg));
    const open = args.flatMap((arg, i) => (arg.op === 'constant' && arg.value !== null ? [] : [isNone(texts[i] as string)]));
    const inner = write(texts);
    if (open.length === 0) return `(${inner})`;
    return `IF(${open.length === 1 ? open[0] : `OR(${open.join(',')})`},${NONE},${inner})`;
  }

  /** A part in few characters; a longer one gets an additional column. */
  private short(f: Typed): string {
    const text = this.write(f);
    if (text.length <= SHORT) return text;
    return (this.room.part(f) ?? never()).cell;
  }

  private reference(name: string): string {
    const column = this.room.column(name) ?? never();
    return column.isRaw ? `IF(ISBLANK(${column.cell}),${NONE},${column.cell})` : column.cell;
  }

  private arithmetic({ sign, left, right }: Extract<Typed, { op: 'arithmetic' }>): string {
    if (sign === '/') return this.over([left, right], ([a = '', b = '']) => `IF(${b}=0,${NONE},${a}/${b})`);
    if (sign === '%') return this.over([left, right], ([a = '', b = '']) => `IF(${b}=0,${NONE},${a}-${b}*TRUNC(${a}/${b}))`);
    return this.over([left, right], ([a = '', b = '']) => `(${a}${sign}${b})`);
  }

  /** Two truths combined, either of which may be missing. */
  private both({ op, left, right }: Extract<Typed, { op: 'and' | 'or' }>): string {
    const [a, b] = [this.short(left), this.short(right)];
    const wins = truth(op === 'or');
    return `IF(OR(${a}=${wins},${b}=${wins}),${wins},IF(OR(${isNone(a)},${isNone(b)}),${NONE},${truth(op === 'and')}))`;
  }

  private distinct({ left, right, negated }: Extract<Typed, { op: 'is-distinct' }>): string {
    const [a, b] = [this.short(left), this.short(right)];
    const same = left.type === 'text' ? `EXACT(${a},${b})` : `(${a}=${b})`;
    return negated ? same : `NOT(${same})`;
  }

  private among({ arg, items }: Extract<Typed, { op: 'in' }>): string {
    if (items.some(item => item.op !== 'constant' || item.value === null)) return never();
    return this.over([arg, ...items], ([x = '', ...others]) => {
      const same = others.map(other => (arg.type === 'text' ? `EXACT(${x},${other})` : `${x}=${other}`));
      return `OR(${same.join(',')})`;
    });
  }

  private cases({ branches, otherwise }: Extract<Typed, { op: 'case' }>): string {
    return branches.reduceRight(
      (rest, { when, then }) => `IF(${this.write(when)}=TRUE(),${this.write(then)},${rest})`,
      otherwise ? this.write(otherwise) : NONE,
    );
  }

  private cast({ arg, to }: Extract<Typed, { op: 'cast' }>): string {
    if (arg.type === to.type && to.type === 'number') {
      const { digits, whole } = to;
      if (digits) return this.over([arg], ([x = '']) => `ROUND(${x},${digits.decimals})`);
      return whole ? this.over([arg], ([x = '']) => `ROUND(${x},0)`) : this.write(arg);
    }
    if (arg.type === to.type && to.size === null) return this.write(arg);
    if (arg.type === 'timestamp' && to.type === 'date') return this.over([arg], ([x = '']) => `INT(${x})`);
    return arg.type === 'date' && to.type === 'timestamp' ? this.write(arg) : never();
  }

  private scalar({ name, args }: Extract<Typed, { op: 'scalar' }>): string {
    if (name === 'coalesce') return args.map(arg => this.short(arg)).reduceRight((rest, x) => `IF(${isNone(x)},${rest},${x})`);
    const [grain, moment] = args;
    if (name === 'date_trunc' && grain?.op === 'constant' && moment)
      return this.over([moment], ([x = '']) => truncSheet(String(grain.value), x) ?? never());
    if (name === 'nullif') {
      const [a, b] = args as [Typed, Typed];
      const [x, y] = [this.short(a), this.short(b)];
      return `IF(${a.type === 'text' ? `EXACT(${x},${y})` : `${x}=${y}`},${NONE},${x})`;
    }
    return this.over(args, texts => scalarSheet(name, texts) ?? never());
  }

  /** An aggregate over the table's rows behind a group. */
  private grouped(f: TypedAggregate): string {
    const found = this.room.behind(f);
    if (!found) return never();
    return this.aggregate(f, found.values, found.conditions);
  }

  private windowed(f: TypedAggregate, window: TypedWindow): string {
    const [arg] = f.args;
    const values = arg ? this.valuesOf(f.filter ? { ...f, window: null, filter: null, args: [filtered(arg, f.filter)] } : f) : null;
    if (!arg && f.filter) return never();
    return this.aggregate(f, values, this.conditionsOf(window));
  }

  private aggregate(f: TypedAggregate, values: SheetColumn | null, conditions: Conditions): string {
    const written = aggregateSheet(f, values?.range ?? null, conditions, this.room.rows);
    if (!written) return never();
    this.isArray ||= written.isArray;
    return written.text;
  }

  /** The column of an argument; a plain one exists already. */
  private valuesOf({ args: [arg] }: Pick<TypedAggregate, 'args'>): SheetColumn {
    if (!arg) return never();
    const own = arg.op === 'column' ? this.room.column(arg.name) : undefined;
    return own ?? this.room.part(arg) ?? never();
  }

  /** The conditions for rows in the window of the current row. */
  private conditionsOf({ partition, order, bounds }: TypedWindow): Conditions {
    const part = partition.length ? (this.room.partition(partition) ?? never()) : null;
    const own: Conditions = part ? [[part.range, part.cell]] : [];
    const whole = bounds?.from.kind === 'unbounded-preceding' && bounds.to.kind === 'unbounded-following';
    if (order.length === 0 || whole) return own;
    const place = this.room.place(partition, order) ?? never();
    if (bounds && (bounds.unit === 'range' ? !isUpToHere(bounds) : !place.isUnique)) return never();
    const edge = (sign: string, by: number): Conditions[number] => [place.range, `"${sign}"&(${place.cell}${by < 0 ? by : `+${by}`})`];
    if (!bounds || bounds.unit === 'range') return [...own, [place.range, `"<="&${place.cell}`]];
    const [from, to] = [offsetOf(bounds.from), offsetOf(bounds.to)];
    return [...own, ...(from === -Infinity ? [] : [edge('>=', from)]), ...(to === Infinity ? [] : [edge('<=', to)])];
  }

  private windowCall({ name, args, window }: TypedWindowCall): string {
    const { partition, order } = window;
    const part = partition.length ? (this.room.partition(partition) ?? never()) : null;
    const own: Conditions = part ? [[part.range, part.cell]] : [];
    const place = order.length ? (this.room.place(partition, order) ?? never()) : never();
    if (name === 'rank') return place.cell;
    if (name === 'row_number') return place.isUnique ? place.cell : never();
    if (!place.isUnique) return never();
    const [arg, by] = args;
    if (!arg || arg.type === 'text' || arg.type === 'boolean') return never();
    const steps = by === undefined ? 1 : by.op === 'constant' && typeof by.value === 'number' ? by.value : never();
    const at = PLACES[name]?.(place.cell, steps, window) ?? never();
    if (args.length > 2) return never();
    const values = this.valuesOf({ args: [arg] }).range;
    const conditions: Conditions = [...own, [place.range, at]];
    return `IF(${countOf(values, conditions)}=0,${NONE},SUMIFS(${[values, ...conditions.flat()].join(',')}))`;
  }
}

/** For functions that pick one row, the rank at which they find it. */
const PLACES: Readonly<Record<string, (place: string, by: number, window: TypedWindow) => string | null>> = {
  lag: (place, by) => `${place}-${by}`,
  lead: (place, by) => `${place}+${by}`,
  first_value: (_, __, { bounds }) => (!bounds || bounds.from.kind === 'unbounded-preceding' ? '1' : null),
  last_value: (place, _, { bounds }) => (!bounds || bounds.to.kind === 'current' ? place : null),
};

const filtered = (arg: Typed, when: Typed): Typed => ({
  type: arg.type,
  key: `case when ${when.key} then ${arg.key} end`,
  op: 'case',
  branches: [{ when, then: arg }],
  otherwise: null,
});

const isUpToHere = (bounds: NonNullable<TypedWindow['bounds']>): boolean =>
  bounds.from.kind === 'unbounded-preceding' && bounds.to.kind === 'current';

function offsetOf(bound: NonNullable<TypedWindow['bounds']>['from']): number {
  switch (bound.kind) {
    case 'unbounded-preceding':
      return -Infinity;
    case 'unbounded-following':
      return Infinity;
    case 'current':
      return 0;
    case 'preceding':
      return -bound.offset;
    case 'following':
      return bound.offset;
  }
}

const truth = (value: boolean): string => (value ? 'TRUE()' : 'FALSE()');

function never(): never {
  throw new NotInSheets();
}

/** Texts are equal letter by letter; their order differs between programs, so it is not used. */
function compared({ sign, left }: Extract<Typed, { op: 'compare' }>, a: string, b: string): string {
  if (left.type !== 'text') return `${a}${sign}${b}`;
  if (sign !== '=' && sign !== '<>') return never();
  return sign === '=' ? `EXACT(${a},${b})` : `NOT(EXACT(${a},${b}))`;
}

function constantSheet({ type, value }: Extract<Typed, { op: 'constant' }>): string {
  if (value === null) return NONE;
  if (typeof value === 'boolean') return truth(value);
  if (typeof value === 'number') return numberSheet(value);
  if (type === 'date' || type === 'timestamp') return momentSheet(value);
  // A text that is empty would be taken for a missing one.
  return value === '' || value.includes(ROW) || value.length > LONGEST_TEXT ? never() : `"${value.replaceAll('"', '""')}"`;
}

/** A number in plain digits where it has few, else by a power of ten, since not all programs read exponents. */
function numberSheet(value: number): string {
  if (!Number.isFinite(value)) return never();
  const [digits = '', power] = String(Math.abs(value)).split('e');
  const text = power === undefined ? digits : `(${digits}*10^(${Number(power)}))`;
  return value < 0 ? `(-${text})` : text;
}

function momentSheet(iso: string): string {
  const [, y, m, d, h, min, s] = /^(\d{4})-(\d\d)-(\d\d)(?:[ T](\d\d):(\d\d):(\d\d))?/.exec(iso) ?? [];
  // Spreadsheets count days from 1900.
  if (!y || Number(y) < 1901) return never();
  const day = `DATE(${Number(y)},${Number(m)},${Number(d)})`;
  return h === undefined ? day : `(${day}+TIME(${Number(h)},${Number(min)},${Number(s)}))`;
}

const EXTRACTS: Readonly<Record<string, (x: string) => string>> = {
  year: x => `YEAR(${x})`,
  month: x => `MONTH(${x})`,
  day: x => `DAY(${x})`,
  quarter: x => `INT((MONTH(${x})+2)/3)`,
  isodow: x => `WEEKDAY(${x},2)`,
  dow: x => `(WEEKDAY(${x},1)-1)`,
  hour: x => `HOUR(${x})`,
  minute: x => `MINUTE(${x})`,
};
