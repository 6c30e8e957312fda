import type { ColumnType } from './column';
import type { DateStyle } from './reading';

/** Encodings that a source of text can be read in, by their names in the Encoding Standard. */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1250',
  'windows-1251',
  'windows-1253',
  'windows-1254',
  'iso-8859-2',
  'koi8-r',
  'shift_jis',
  'euc-jp',
  'gb18030',
  'big5',
  'euc-kr',
] as const;
/** How the bytes of a source become text. */
export type EncodingName = (typeof ENCODINGS)[number];

/** Signs between thousands that may be decided on; `none`: a number has none. */
export const THOUSANDS = ['none', 'point', 'comma', 'space', 'apostrophe'] as const;
/** A sign between thousands. */
export type Thousands = (typeof THOUSANDS)[number];

/** What was decided of one column of a source; null and empty where it is read as found. */
export interface ColumnIntake {
  /** As the source names it. */
  readonly name: string;
  /** Its name in the table. */
  readonly as: string | null;
  readonly type: ColumnType | null;
  readonly decimal: 'point' | 'comma' | null;
  /** The sign between thousands; null where whichever groups them by threes. */
  readonly thousands: Thousands | null;
  readonly dates: DateStyle | null;
  /** Texts that stand for a missing value beside the usual ones. */
  readonly missing: readonly string[];
  /** Percents become fractions: 25 % is 0.25. */
  readonly fractions: boolean;
  readonly unit: string | null;
  /** Left out of the table. */
  readonly out: boolean;
}

/** A part of a sheet, rows and columns counted from 1; null where it goes to the edge. */
export interface SourceRange {
  readonly top: number;
  readonly left: number;
  readonly bottom: number | null;
  readonly right: number | null;
}

/** How a source is read, remembered so that its next file is read the same way; null and empty where as found. */
export interface Intake {
  readonly encoding: EncodingName | null;
  /** The sign between cells. */
  readonly delimiter: string | null;
  /** The sheet of a workbook, or the list within a JSON text. */
  readonly part: string | null;
  readonly range: SourceRange | null;
  /** Lines left out at the top, blank ones not counted. */
  readonly above: number | null;
  /** Rows left out at the bottom. */
  readonly below: number;
  /** Whether the first row that is left names the columns. */
  readonly names: 'found' | 'row' | 'none';
  readonly hidden: 'kept' | 'out';
  /** Texts that stand for a missing value in every column. */
  readonly missing: readonly string[];
  readonly columns: readonly ColumnIntake[];
}

/** Everything as found. */
export const PLAIN_INTAKE: Intake = {
  encoding: null,
  delimiter: null,
  part: null,
  range: null,
  above: null,
  below: 0,
  names: 'found',
  hidden: 'kept',
  missing: [],
  columns: [],
};

/** A column of which nothing was decided. */
export const plainColumnIntake = (name: string): ColumnIntake => ({
  name,
  as: null,
  type: null,
  decimal: null,
  thousands: null,
  dates: null,
  missing: [],
  fractions: false,
  unit: null,
  out: false,
});
