import { SSF } from '@e965/xlsx';

/** The kind of value that a number format makes of a number, with the format. */
export interface NumberFormat {
  readonly kind: 'number' | 'time' | 'day';
  readonly code: string;
}

// The two functions of the library that its types leave out.
const formats = SSF as { is_date(format: string): boolean; format(format: string, value: number): string };

const MS_PER_DAY = 86_400_000;
// Days from the first day of the counting of workbooks to 1970-01-01.
const EPOCH_1900 = 25_569;
const EPOCH_1904 = 24_107;
// The counting of 1900 has a 29 February that never was; before it days lie one off.
const FALSE_LEAP_DAY = 60;

/** A workbook's day count (ISO/IEC 29500, 18.17.4) as UTC milliseconds since 1970. */
export function momentOf(serial: number, is1904: boolean): number {
  const days = is1904 ? serial - EPOCH_1904 : (serial < FALSE_LEAP_DAY ? serial + 1 : serial) - EPOCH_1900;
  return Math.round(days * MS_PER_DAY);
}

/** Whether a moment is a day without a time. */
export const isMidnight = (ms: number): boolean => ms % MS_PER_DAY === 0;

// Workbooks have few formats, and every cell has one.
const known = new Map<string, NumberFormat>();
const MOST_KNOWN = 1_000;

/** The meaning of a format code: a number is a date where the code names a day, a month or a year. */
export function numberFormat(code: string): NumberFormat {
  const before = known.get(code);
  if (before) return before;
  const isDate = code !== '' && code !== 'General' && formats.is_date(code);
  const format = { kind: isDate ? (namesDay(code) ? 'day' : 'time') : 'number', code } as const;
  if (known.size > MOST_KNOWN) known.clear();
  known.set(code, format);
  return format;
}

/** Codes for a day, a month or a year; quoted and bracketed parts do not count. */
const namesDay = (code: string): boolean => /[dy]/i.test(code.replaceAll(/"[^"]*"|\[[^\]]*\]|\\./g, ''));

/** A time alone, as its cell shows it. */
export const timeText = ({ code }: NumberFormat, value: number): string => formats.format(code, value);
