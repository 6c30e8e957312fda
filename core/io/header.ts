import type { FileProblem } from 'core/result';
import type { Intake } from 'core/table';
import { isMissingWord } from './column-plan';
import { mostCommon } from './delimiter';
import { parseDate, parseTimestamp } from './moments';
import { parseNumber } from './numbers';
import { quantityOf } from './quantities';

/** Column names from a header line: unnamed and repeated ones get names of their own, with a note each. */
export class HeaderNames {
  readonly names: string[] = [];
  private readonly taken = new Set<string>();
  /** From where to look for a free number, by name: thousands of equal names cost no more than as many others. */
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

/** What the first rows of a file are. */
export interface Top {
  /** How many rows stand above the table: a title, comments, a line that names the mark between cells. */
  readonly above: number;
  /** Whether the first row of the table names its columns; else it is data. */
  readonly named: boolean;
  readonly notes: readonly FileProblem[];
}

/** Rows of a file that are looked at before its header is decided. */
export const TOP_ROWS = 30;

/** Tells what stands above a table, and whether its first line holds names or numbers. Blank rows are left out already. */
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

/** What the first rows are where an intake decides some of it. */
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

/** A line that stands above, as a note tells it: padding left out, and the mark put back that has cut its own line. */
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

/** Nothing but numbers and dates: no row of names. */
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
