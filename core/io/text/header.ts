import type { FileProblem } from 'core/result';
import type { Intake } from 'core/table';
import { isMissingWord } from '../columns/column-plan';
import { mostCommon } from './delimiter';
import { parseDate, parseTimestamp } from '../columns/moments';
import { parseNumber } from '../columns/numbers';
import { quantityOf } from '../columns/quantities';

/** Column names from a header row; empty and repeated names are completed, with a note for each. */
export class HeaderNames {
  readonly names: string[] = [];
  private readonly taken = new Set<string>();
  /** For each name the next number to try, so that thousands of equal names cost no more than different ones. */
  private readonly next = new Map<string, number>();
  readonly notes: FileProblem[] = [];

  add(cell: string | undefined): string {
    const given = (cell ?? '').trim();
    const position = this.names.length + 1;
    const renamed = this.freeName(given || `column ${position}`);
    if (!given) this.notes.push({ code: 'name-missing', position, renamed });
    else if (renamed !== given) this.notes.push({ code: 'name-repeated', name: given, renamed });
    this.names.push(renamed);
    this.taken.add(renamed);
    return renamed;
  }

  private freeName(name: string): string {
    if (!this.taken.has(name)) return name;
    let n = this.next.get(name) ?? 2;
    while (this.taken.has(`${name} ${n}`)) n++;
    this.next.set(name, n + 1);
    return `${name} ${n}`;
  }
}

/** The meaning of the first rows of a file. */
export interface Top {
  /** Number of rows above the table: a title, comments, a line with the delimiter. */
  readonly above: number;
  /** Whether the first row of the table holds names; else it is data. */
  readonly named: boolean;
  readonly notes: readonly FileProblem[];
}

/** Rows that are examined before the header is decided. */
export const TOP_ROWS = 30;

/** Finds what is above a table, and whether its first row holds names or numbers. Blank rows have been removed. */
export function topOf(rows: readonly (readonly string[])[], delimiter: string): Top {
  const width = mostCommon(rows.map(row => row.length));
  let above = 0;
  while (above < rows.length - 1 && isAbove(rows, above, width)) above++;
  const notes: FileProblem[] = above
    ? [{ code: 'lines-above', count: above, text: lineText(rows[0] as readonly string[], delimiter) }]
    : [];
  const [first = [], ...others] = rows.slice(above);
  const named = others.length === 0 || !isData(first);
  return { above, named, notes: named ? notes : [...notes, { code: 'header-missing' }] };
}

/** The same, with the parts that an intake decides. */
export function topAs(rows: readonly (readonly string[])[], delimiter: string, { above, names }: Pick<Intake, 'above' | 'names'>): Top {
  const found = above === null ? topOf(rows, delimiter) : decidedTop(rows, Math.min(above, rows.length));
  return names === 'found' ? found : { ...found, named: names === 'row' && found.above < rows.length, notes: noteless(found.notes) };
}

function decidedTop(rows: readonly (readonly string[])[], above: number): Top {
  const [first = [], ...others] = rows.slice(above);
  const named = others.length === 0 || !isData(first);
  return { above, named, notes: named ? [] : [{ code: 'header-missing' }] };
}

const noteless = (notes: readonly FileProblem[]): FileProblem[] => notes.filter(({ code }) => code !== 'header-missing');

/** A line above the table as a note quotes it: trimmed, with its delimiters restored. */
function lineText(row: readonly string[], delimiter: string): string {
  const text = namesMark(row) ? row.join(delimiter) : row.join(' ').trim();
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}

const namesMark = (row: readonly string[]): boolean => row.length <= 2 && /^\uFEFF?"?sep=.?"?$/i.test(row.join('').trim());

function isAbove(rows: readonly (readonly string[])[], at: number, width: number): boolean {
  const row = rows[at] as readonly string[];
  const filled = row.filter(cell => cell.trim() !== '').length;
  const first = (row[0] ?? '').trim();
  if (at === 0 && namesMark(row)) return true;
  if (/^(#|\/\/|--)/.test(first) && (row.length < width || /^#\s/.test(first))) return true;
  if (width < 2 || filled > 1) return false;
  if (row.length < width) return true;
  // A title that was padded with empty cells: the next row is full of names.
  const next = rows[at + 1] as readonly string[];
  return width > 2 && next.length === width && next.every(cell => cell.trim() !== '' && !isValue(cell));
}

/** Whether a row holds only numbers and dates, so that it is no header. */
function isData(row: readonly string[]): boolean {
  const cells = row.filter(cell => !isMissingWord(cell));
  return cells.length > 0 && cells.length * 2 >= row.length && cells.every(isValue);
}

const isValue = (text: string): boolean =>
  [
    parseNumber(text),
    parseNumber(text, 'comma'),
    parseDate(text, 'iso'),
    parseDate(text, 'day-first'),
    parseDate(text, 'month-first'),
    parseTimestamp(text),
  ].some(value => !Number.isNaN(value)) || isQuantity(text);

function isQuantity(text: string): boolean {
  const { number, unit } = quantityOf(text);
  return /^[%€$£¥]$/.test(unit) && !Number.isNaN(parseNumber(number));
}
