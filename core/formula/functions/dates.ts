import { daysOf, withinYears, type ColumnType } from 'core/table';
import { lengthFor, strideOf, type NumericVec, type TextVec } from '../evaluate/vec';
import type { Scalar } from './entry';

const MS_PER_DAY = 86_400_000;

/** Fields of a date or timestamp; all but the time of day work for both. */
export const DATE_FIELDS = [
  'year',
  'quarter',
  'month',
  'week',
  'day',
  'dow',
  'doy',
  'isodow',
  'isoyear',
  'decade',
  'century',
  'millennium',
  'epoch',
  'hour',
  'minute',
  'second',
] as const;
/** Fields of a date that `extract` knows. */
export type DateField = (typeof DATE_FIELDS)[number];
/** Fields of a time of day that `extract` knows. */
export const TIME_FIELDS: readonly string[] = ['hour', 'minute', 'second'];

/** Units that a date can be truncated to. */
export const DATE_GRAINS = ['day', 'week', 'month', 'quarter', 'year', 'hour', 'minute', 'second'] as const;
/** A unit that dates can be truncated to. */
export type DateGrain = (typeof DATE_GRAINS)[number];

/** Year, month from 1, and day of the month of a day number. */
export function civilOf(days: number): [year: number, month: number, day: number] {
  const date = new Date(days * MS_PER_DAY);
  return [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate()];
}

// Day 0 was a Thursday; weeks start on Monday.
const mondayOf = (days: number): number => days - ((((days + 3) % 7) + 7) % 7);

/** The ISO week of a day: week 1 holds the year's first Thursday. */
function isoWeek(days: number): number {
  const thursday = mondayOf(days) + 3;
  const [year] = civilOf(thursday);
  return Math.floor((thursday - daysOf(year, 1, 1)) / 7) + 1;
}

function dayField(days: number, field: DateField): number {
  const [year, month, day] = civilOf(days);
  switch (field) {
    case 'year':
      return year;
    case 'quarter':
      return Math.ceil(month / 3);
    case 'month':
      return month;
    case 'week':
      return isoWeek(days);
    case 'day':
      return day;
    case 'dow':
      return (((days + 4) % 7) + 7) % 7;
    case 'doy':
      return days - daysOf(year, 1, 1) + 1;
    case 'isodow':
      return days - mondayOf(days) + 1;
    case 'isoyear':
      return civilOf(mondayOf(days) + 3)[0];
    case 'decade':
      return Math.floor(year / 10);
    case 'century':
      return Math.ceil(year / 100);
    case 'millennium':
      return Math.ceil(year / 1000);
    default:
      return 0;
  }
}

const msOfDay = (ms: number): number => ((ms % MS_PER_DAY) + MS_PER_DAY) % MS_PER_DAY;

/** `extract(field from d)` as numbers. Weeks are ISO weeks, `dow` counts from Sunday, 0. */
export function extractField(arg: NumericVec, field: DateField): NumericVec {
  const isTime = arg.type === 'timestamp';
  const compute = (raw: number): number => {
    if (raw !== raw) return NaN;
    if (field === 'epoch') return isTime ? raw / 1000 : raw * 86_400;
    if (field === 'hour') return Math.floor(msOfDay(raw) / 3_600_000);
    if (field === 'minute') return Math.floor(msOfDay(raw) / 60_000) % 60;
    if (field === 'second') return Math.floor(msOfDay(raw) / 1000) % 60;
    return dayField(isTime ? Math.floor(raw / MS_PER_DAY) : raw, field);
  };
  return { type: 'number', data: remembered(arg.data, compute), constant: arg.constant };
}

/** Start of the day's week, month, quarter or year, in days. */
export function truncateDay(days: number, grain: DateGrain): number {
  if (grain === 'week') return mondayOf(days);
  const [year, month] = civilOf(days);
  if (grain === 'year') return daysOf(year, 1, 1);
  if (grain === 'quarter') return daysOf(year, month - ((month - 1) % 3), 1);
  return grain === 'month' ? daysOf(year, month, 1) : days;
}

const TIME_GRAINS: Readonly<Record<string, number>> = { hour: 3_600_000, minute: 60_000, second: 1000 };

function truncate(arg: NumericVec, grain: DateGrain): NumericVec {
  if (arg.type === 'date')
    return { ...arg, data: remembered(arg.data, days => (days === days ? withinYears(truncateDay(days, grain), 'date') : NaN)) };
  const step = TIME_GRAINS[grain];
  const compute = (ms: number): number =>
    step ? Math.floor(ms / step) * step : withinYears(truncateDay(Math.floor(ms / MS_PER_DAY), grain) * MS_PER_DAY, 'timestamp');
  return { ...arg, data: remembered(arg.data, ms => (ms === ms ? compute(ms) : NaN)) };
}

/** Computes each distinct date once, since dates repeat. */
function remembered(data: Float64Array, compute: (raw: number) => number): Float64Array {
  const known = new Map<number, number>();
  const out = new Float64Array(data.length);
  for (let row = 0; row < data.length; row++) {
    const raw = data[row] as number;
    let result = known.get(raw);
    if (result === undefined) known.set(raw, (result = compute(raw)));
    out[row] = result;
  }
  return out;
}

/** A span of time: whole months, then milliseconds. */
export interface Interval {
  readonly months: number;
  readonly ms: number;
}

const UNITS: Readonly<Record<string, Interval>> = {
  second: { months: 0, ms: 1000 },
  minute: { months: 0, ms: 60_000 },
  hour: { months: 0, ms: 3_600_000 },
  day: { months: 0, ms: MS_PER_DAY },
  week: { months: 0, ms: 7 * MS_PER_DAY },
  month: { months: 1, ms: 0 },
  quarter: { months: 3, ms: 0 },
  year: { months: 12, ms: 0 },
};

/** `'7 days'`, `'1 month 2 days'` as an interval, or undefined. */
export function parseInterval(text: string): Interval | undefined {
  const parts = [...text.matchAll(/([+-]?\d+)\s*([a-z]+)/gi)];
  const whole = parts
    .map(part => part[0])
    .join('')
    .replaceAll(/\s/g, '');
  if (parts.length === 0 || whole !== text.replaceAll(/[\s,]/g, '')) return undefined;
  let [months, ms] = [0, 0];
  for (const [, count, word = ''] of parts) {
    const unit = UNITS[word.toLowerCase().replace(/s$/, '')];
    if (!unit) return undefined;
    months += Number(count) * unit.months;
    ms += Number(count) * unit.ms;
  }
  // No date could be moved further and still be one.
  return Math.abs(months) <= MOST_MONTHS && Math.abs(ms) <= MOST_MS ? { months, ms } : undefined;
}

const MOST_MONTHS = 12 * 10_000;
const MOST_MS = 366 * 10_000 * MS_PER_DAY;

/** The day some months later, at most the last day of that month. */
function addMonths(days: number, months: number): number {
  const [year, month, day] = civilOf(days);
  const index = year * 12 + month - 1 + months;
  const [toYear, toMonth] = [Math.floor(index / 12), (((index % 12) + 12) % 12) + 1];
  for (let last = day; last > 27; last--) {
    const found = daysOf(toYear, toMonth, last);
    if (found === found) return found;
  }
  return daysOf(toYear, toMonth, day);
}

/** A date or timestamp moved by an interval. */
export function shiftMoment(raw: number, type: ColumnType, { months, ms }: Interval): number {
  if (type === 'date') return (months ? addMonths(raw, months) : raw) + ms / MS_PER_DAY;
  const days = Math.floor(raw / MS_PER_DAY);
  return (months ? addMonths(days, months) * MS_PER_DAY + msOfDay(raw) : raw) + ms;
}

/** Dates moved by a number of steps; at most the last day of the month. */
export function shiftVec(arg: NumericVec, type: 'date' | 'timestamp', interval: Interval): NumericVec {
  // A date that gains hours becomes a moment of that day.
  const from = arg.type === 'date' && type === 'timestamp' ? arg.data.map(days => days * MS_PER_DAY) : arg.data;
  return { type, data: from.map(raw => withinYears(shiftMoment(raw, type, interval), type)), constant: arg.constant };
}

const LEAP = (y: string): string => `(mod(${y}, 4) = 0 and mod(${y}, 100) <> 0 or mod(${y}, 400) = 0)`;

/** SQL that tests whether a day exists, for engines that refuse days that do not. */
function dayExistsSql(y: string, m: string, d: string): string {
  const last = `case when ${m} in (4, 6, 9, 11) then 30 when ${m} = 2 then case when ${LEAP(y)} then 29 else 28 end else 31 end`;
  const whole = [y, m, d].map(part => `${part} = floor(${part})`).join(' and ');
  return `${whole} and ${y} between 1 and 9999 and ${m} between 1 and 12 and ${d} between 1 and ${last}`;
}

function makeDates(args: readonly NumericVec[], rows: number): NumericVec {
  const data = new Float64Array(lengthFor(rows, ...args));
  const at = (i: number, row: number): number => {
    const arg = args[i] as NumericVec;
    return arg.data[row * strideOf(arg)] as number;
  };
  for (let row = 0; row < data.length; row++) {
    const [year, month, day] = [at(0, row), at(1, row), at(2, row)];
    data[row] = [year, month, day].every(Number.isInteger) ? daysOf(year, month, day) : NaN;
  }
  return { type: 'date', data, constant: args.every(arg => arg.constant) };
}

/** Functions of dates and timestamps. */
export const dateFunctions = {
  make_date: {
    group: 'date',
    signature: 'make_date(y, m, d)',
    help: 'The day of a year, a month and a day; missing where there is no such day.',
    example: 'make_date(2031, 6, 1)',
    arity: [3, 3, 'a year, a month and a day'],
    takes: [['number']],
    gives: 'date',
    lacks: true,
    run: (args, rows) => makeDates(args as readonly NumericVec[], rows),
    sql: ([y = '', m = '', d = '']) =>
      `case when ${dayExistsSql(y, m, d)} then make_date(${[y, m, d].map(part => `cast(${part} as integer)`).join(', ')}) end`,
  },
  date_trunc: {
    group: 'date',
    signature: "date_trunc('month', d)",
    help: 'Start of the day, ISO week, month, quarter or year that a date lies in.',
    example: "date_trunc('month', week)",
    arity: [2, 2, 'a grain and a date'],
    takes: [['text'], ['date', 'timestamp']],
    gives: 'second',
    words: DATE_GRAINS,
    run: ([grain, arg]) => truncate(arg as NumericVec, (grain as TextVec).dictionary[(grain as TextVec).data[0] as number] as DateGrain),
    sql: ([grain, arg], type) => `cast(date_trunc(${grain}, ${arg}) as ${type})`,
  },
} satisfies Record<string, Scalar>;
