const MS_PER_DAY = 86_400_000;

/** Days since 1970-01-01 of a civil date, or NaN when there is no such day. Month counts from 1. */
export function daysOf(year: number, month: number, day: number): number {
  const ms = Date.UTC(2000, month - 1, day);
  const date = new Date(ms);
  date.setUTCFullYear(year, month - 1, day);
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? Math.round(date.getTime() / MS_PER_DAY) : NaN;
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
  const parts = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  return parts ? daysOf(Number(parts[1]), Number(parts[2]), Number(parts[3])) : NaN;
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
