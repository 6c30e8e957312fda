import type { CellObject } from '@e965/xlsx';
import { SSF } from '@e965/xlsx';
import { isoDate, isoTimestamp } from 'core/table';

/** What a cell of a sheet is, as far as reading it goes. */
export type SheetKind = 'number' | 'text' | 'date' | 'moment' | 'time' | 'answer' | 'error' | 'nothing';

const MS_PER_DAY = 86_400_000;
// Days from the first day of the counting of workbooks to 1970-01-01.
const EPOCH_1900 = 25_569;
const EPOCH_1904 = 24_107;
// The counting of 1900 has a 29 February that never was; before it days lie one off.
const FALSE_LEAP_DAY = 60;

/** Milliseconds since 1970, in UTC, of a day count of a workbook (ISO/IEC 29500, 18.17.4), to the millisecond. */
export function momentOf(serial: number, is1904: boolean): number {
  const days = is1904 ? serial - EPOCH_1904 : (serial < FALSE_LEAP_DAY ? serial + 1 : serial) - EPOCH_1900;
  return Math.round(days * MS_PER_DAY);
}

/** Parts of a number format that name a day, a month or a year; what stands in quotes or brackets is no part of it. */
const namesDay = (format: string): boolean => /[dy]/i.test(format.replaceAll(/"[^"]*"|\[[^\]]*\]|\\./g, ''));

/** What a cell holds: a number is a date where its format says so. */
export function kindOf(cell: CellObject | undefined, is1904: boolean): SheetKind {
  if (!cell || cell.v === undefined || cell.v === null || cell.v === '') return cell?.t === 'e' ? 'error' : 'nothing';
  switch (cell.t) {
    case 'n':
      return numberKind(Number(cell.v), String(cell.z ?? ''), is1904);
    case 'd':
      return isMidnight((cell.v as Date).getTime()) ? 'date' : 'moment';
    case 'b':
      return 'answer';
    case 'e':
      return 'error';
    case 's':
    case 'str' as never:
      return 'text';
    default:
      return 'nothing';
  }
}

// What a number format makes of a number; a workbook has few of them, and every cell has one.
const formatKinds = new Map<string, 'number' | 'time' | 'day'>();
const MOST_KNOWN = 1_000;

function kindOfFormat(format: string): 'number' | 'time' | 'day' {
  const known = formatKinds.get(format);
  if (known) return known;
  const isDate = (SSF as { is_date(format: string): boolean }).is_date(format);
  const kind = isDate ? (namesDay(format) ? 'day' : 'time') : 'number';
  if (formatKinds.size > MOST_KNOWN) formatKinds.clear();
  formatKinds.set(format, kind);
  return kind;
}

function numberKind(value: number, format: string, is1904: boolean): SheetKind {
  if (format === '' || format === 'General') return 'number';
  const kind = kindOfFormat(format);
  if (kind !== 'day') return kind;
  return isMidnight(momentOf(value, is1904)) ? 'date' : 'moment';
}

const isMidnight = (ms: number): boolean => ms % MS_PER_DAY === 0;

/** The text of a cell that reads back as the same value; `timed`: whether dates of its column have a time. Errors are missing. */
export function sheetText(cell: CellObject | undefined, kind: SheetKind, { is1904, timed }: { is1904: boolean; timed: boolean }): string {
  switch (kind) {
    case 'nothing':
    case 'error':
      return '';
    case 'date':
    case 'moment': {
      const ms = cell?.t === 'd' ? (cell.v as Date).getTime() : momentOf(Number(cell?.v), is1904);
      return timed ? isoTimestamp(ms) : isoDate(Math.floor(ms / MS_PER_DAY));
    }
    case 'time':
      return (SSF as { format(format: string, value: number): string }).format(String(cell?.z), Number(cell?.v));
    default:
      return String(cell?.v);
  }
}
