const MS_PER_DAY = 86_400_000;

/**
 * Days since 1970-01-01 of a civil date, or NaN when there is no such day in the years 1 to 9999. Month counts from 1.
 * Method: days from civil dates over the 400-year cycle of 146,097 days, years starting in March (H. Hinnant).
 */
export function daysOf(year: number, month: number, day: number): number {
  if (!(year >= 1 && year <= 9999)) return NaN;
  if (month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return NaN;
  const marchYear = month > 2 ? year : year - 1;
  const cycle = Math.floor(marchYear / 400);
  const yearOfCycle = marchYear - cycle * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfCycle = yearOfCycle * 365 + Math.floor(yearOfCycle / 4) - Math.floor(yearOfCycle / 100) + dayOfYear;
  return cycle * 146_097 + dayOfCycle - 719_468;
}

const isLeap = (year: number): boolean => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);

function daysInMonth(year: number, month: number): number {
  if (month === 2) return isLeap(year) ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
}

/** First and last day of the years 1 to 9999, in days since 1970-01-01: no date lies beyond them. */
export const FIRST_DAY = daysOf(1, 1, 1);
/** The last day of the calendar that is read, in days since 1970. */
export const LAST_DAY = daysOf(9999, 12, 31);

/** A count of days, or milliseconds for a timestamp, as it is within the years 1 to 9999; beyond them it is missing. */
export function withinYears(raw: number, type: 'date' | 'timestamp'): number {
  const days = type === 'date' ? raw : Math.floor(raw / MS_PER_DAY);
  return days >= FIRST_DAY && days <= LAST_DAY ? raw : NaN;
}

/** A day count as `2031-06-02`. */
export const isoDate = (days: number): string => new Date(days * MS_PER_DAY).toISOString().slice(0, 10);

/** UTC milliseconds as `2031-06-02 05:30:00`, with milliseconds only where there are any. */
export const isoTimestamp = (ms: number): string =>
  new Date(ms)
    .toISOString()
    .replace('T', ' ')
    .replace(/(\.000)?Z$/, '');

/** `2031-06-02` as days since 1970-01-01, or NaN. */
export function parseIsoDate(text: string): number {
  if (text.length === 10 && text.charCodeAt(4) === 45 && text.charCodeAt(7) === 45) return parseFixedDate(text);
  const parts = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  return parts ? daysOf(Number(parts[1]), Number(parts[2]), Number(parts[3])) : NaN;
}

/** `2031-06-02` digit by digit: nearly every date of every file passes here. */
function parseFixedDate(text: string): number {
  let number = 0;
  for (let i = 0; i < 10; i++) {
    if (i === 4 || i === 7) continue;
    const digit = text.charCodeAt(i) - 48;
    if (!(digit >= 0 && digit <= 9)) return NaN;
    number = number * 10 + digit;
  }
  return daysOf(Math.floor(number / 10_000), Math.floor(number / 100) % 100, number % 100);
}

/** `2031-06-02 05:30`, with seconds and `T` or `Z` allowed, as UTC milliseconds, or NaN. */
export function parseIsoTimestamp(text: string): number {
  const parts = /^(\d{4}-\d{1,2}-\d{1,2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(\.\d{1,3})?)?Z?$/.exec(text);
  if (!parts) return NaN;
  const [hours, minutes, seconds] = [Number(parts[2]), Number(parts[3]), Number(parts[4] ?? 0)];
  if (hours > 23 || minutes > 59 || seconds > 59) return NaN;
  const ms = Math.round(Number(`0${parts[5] ?? ''}`) * 1000);
  return parseIsoDate(parts[1] ?? '') * MS_PER_DAY + ((hours * 60 + minutes) * 60 + seconds) * 1000 + ms;
}
