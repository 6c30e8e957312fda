import { daysOf, DATE_STYLES, parseIsoDate, withinYears, type DateStyle } from 'core/table';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const FULL = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];

const YEAR_FIRST = /^(\d{4})[/.](\d{1,2})[/.](\d{1,2})$/;
const PARTS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})$/;
const DAY_NAME = /^(\d{1,2})\.?[\s-]([A-Za-z]{3,9})\.?,?[\s-](\d{4}|\d{2})$/;
const NAME_DAY = /^([A-Za-z]{3,9})\.?\s(\d{1,2}),?\s(\d{4}|\d{2})$/;

/** A two-digit year as a year from 1969 to 2068, as in POSIX. */
export const fullYear = (text: string): number => {
  const year = Number(text);
  return text.length > 2 ? year : year + (year < 69 ? 2000 : 1900);
};

/** The number of a month's name, full or its first three letters, from 1; NaN for no month. */
function monthOf(name: string): number {
  const small = name.toLowerCase();
  const at = FULL.indexOf(small) >= 0 ? FULL.indexOf(small) : MONTHS.indexOf(small === 'sept' ? 'sep' : small);
  return at >= 0 ? at + 1 : NaN;
}

/** The readers of dates, by style. */
const READERS: Readonly<Record<DateStyle, (text: string) => number>> = {
  iso: parseIsoDate,
  'year-first': text => {
    const parts = YEAR_FIRST.exec(text);
    return parts ? daysOf(Number(parts[1]), Number(parts[2]), Number(parts[3])) : NaN;
  },
  'day-first': text => {
    const parts = PARTS.exec(text);
    return parts ? daysOf(fullYear(parts[3] as string), Number(parts[2]), Number(parts[1])) : NaN;
  },
  'month-first': text => {
    const parts = PARTS.exec(text);
    return parts ? daysOf(fullYear(parts[3] as string), Number(parts[1]), Number(parts[2])) : NaN;
  },
  named: text => {
    const [dayFirst, monthFirst] = [DAY_NAME.exec(text), NAME_DAY.exec(text)];
    if (dayFirst) return daysOf(fullYear(dayFirst[3] as string), monthOf(dayFirst[2] as string), Number(dayFirst[1]));
    return monthFirst ? daysOf(fullYear(monthFirst[3] as string), monthOf(monthFirst[1] as string), Number(monthFirst[2])) : NaN;
  },
};

/** A date in the given style as days since 1970-01-01, or NaN. */
export const parseDate = (text: string, style: DateStyle): number => READERS[style](text.trim());

/** Whether a date is written with a year of two digits. */
export const hasShortYear = (text: string): boolean => /[./\s-]\d{2}$/.test(text.trim()) && !/^\d{4}[./-]/.test(text.trim());

const TIMED = /^(.*?\d)[T ]\s*(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,9}))?)?\s*(am|pm|a\.m\.|p\.m\.)?\s*(Z|[+-]\d{2}(?::?\d{2})?)?$/i;
const MS_PER_MINUTE = 60_000;
const MS_PER_DAY = 86_400_000;

/**
 * A date in the given style with a time, as UTC milliseconds, or NaN. A time with an offset is converted to UTC; one without is taken as UTC.
 * Fractions of a millisecond are cut off.
 */
export function parseTimestamp(text: string, style: DateStyle = 'iso'): number {
  const parts = TIMED.exec(text.trim());
  if (!parts) return NaN;
  const [, day = '', hour = '', minute = '', second = '0', fraction = '', half = '', offset = ''] = parts;
  const hours = hourOf(Number(hour), half.charAt(0).toLowerCase());
  if (Number.isNaN(hours) || Number(minute) > 59 || Number(second) > 59) return NaN;
  const ms = ((hours * 60 + Number(minute)) * 60 + Number(second)) * 1000 + Number(fraction.slice(0, 3).padEnd(3, '0'));
  return withinYears(parseDate(day, style) * MS_PER_DAY + ms - offsetOf(offset), 'timestamp');
}

function hourOf(hour: number, half: string): number {
  if (half === '') return hour <= 23 ? hour : NaN;
  if (hour < 1 || hour > 12) return NaN;
  return (hour % 12) + (half === 'p' ? 12 : 0);
}

/** Milliseconds by which an offset such as `+02:00` is ahead of UTC. */
function offsetOf(text: string): number {
  const parts = /^([+-])(\d{2}):?(\d{2})?$/.exec(text);
  return parts ? (parts[1] === '-' ? -1 : 1) * (Number(parts[2]) * 60 + Number(parts[3] ?? 0)) * MS_PER_MINUTE : 0;
}

/** Whether a time is more precise than a millisecond. */
export const isFinerThanMs = (text: string): boolean => /:\d{2}[.,]\d{3}\d*[1-9]/.test(text);

/** The style that reads most texts, how many it reads, and a style that reads as many differently, with a text that shows it. */
export interface StyleVote {
  readonly style: DateStyle;
  readonly fitting: number;
  readonly rival: DateStyle | undefined;
  readonly doubtful: string | undefined;
}

const FEW = 30;

/** The style of dates, or of dates with a time, in a column's texts; undefined when none reads any. */
export function dateStyleOf(texts: readonly string[], parse: (text: string, style: DateStyle) => number): StyleVote | undefined {
  // Most columns are none of dates: a few texts, taken evenly, tell.
  const step = Math.max(1, Math.floor(texts.length / FEW));
  const few = texts.filter((_, i) => i % step === 0);
  if (!few.some(text => DATE_STYLES.some(style => !Number.isNaN(parse(text, style))))) return undefined;
  const votes = DATE_STYLES.map(style => ({ style, fitting: texts.filter(text => !Number.isNaN(parse(text, style))).length }));
  const best = votes.reduce((a, b) => (b.fitting > a.fitting ? b : a));
  if (best.fitting === 0) return undefined;
  const rival =
    best.style === 'day-first' && votes.find(vote => vote.style === 'month-first')?.fitting === best.fitting ? 'month-first' : undefined;
  const differs = (text: string): boolean => parse(text, 'day-first') !== parse(text, 'month-first');
  const doubtful = rival && texts.find(text => !Number.isNaN(parse(text, 'day-first')) && differs(text));
  // Dots between the parts are a day-first habit everywhere.
  const sure = doubtful === undefined || /^\d{1,2}\./.test(doubtful.trim());
  return { ...best, rival: sure ? undefined : rival, doubtful: sure ? undefined : doubtful };
}
