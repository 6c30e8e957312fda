import { MISSING_BOOLEAN, MISSING_TEXT, named, TextCodes, type Column, type ColumnType } from 'core/table';
import { dateStyleOf, parseDate, parseTimestamp } from './moments';
import { decimalMarkOf, parseNumber, type MarkVote } from './numbers';

/** How the texts of one column become values. */
export interface ColumnPlan {
  readonly type: ColumnType;
  /** The raw number of a text that is not a missing mark, NaN when it does not fit; unused for text. */
  readonly read: (text: string) => number;
  /** A text whose reading had to be assumed. */
  readonly doubtful: string | undefined;
}

// Words that stand for a missing value wherever the rest of the column is not text.
const MISSING_WORDS = new Set(['', '-', '–', '—', '…', '?', 'na', 'n/a', 'nan', 'null', 'none', '#n/a', 'missing']);
export function isMissingWord(text: string): boolean {
  if (text === '') return true;
  const first = text.charCodeAt(0);
  // No word among them starts with a digit, as most cells that come here do.
  return !(first >= 48 && first <= 57) && text.length < 8 && MISSING_WORDS.has(text.trim().toLowerCase());
}

// A column is of a type when nearly all of its texts are; the few others are reported one by one.
const NEARLY_ALL = 0.9;

/** Chooses a column's type from a sample of its texts. A column of nothing but missing marks is a number. */
export function planColumn(sample: readonly string[], delimiter: string): ColumnPlan {
  const texts = sample.filter(text => !isMissingWord(text));
  if (texts.length > 0 && texts.every(text => readBoolean(text) !== MISSING_BOOLEAN))
    return { type: 'boolean', read: readBoolean, doubtful: undefined };
  return planDate(texts) ?? planNumber(texts, delimiter) ?? { type: 'text', read: () => NaN, doubtful: undefined };
}

function planDate(texts: readonly string[]): ColumnPlan | undefined {
  const found = dateStyleOf(texts);
  if (found) return { type: 'date', read: text => parseDate(text, found.style), doubtful: found.doubtful };
  const moments = texts.length > 0 && texts.every(text => !Number.isNaN(parseTimestamp(text)));
  return moments ? { type: 'timestamp', read: parseTimestamp, doubtful: undefined } : undefined;
}

function planNumber(texts: readonly string[], delimiter: string): ColumnPlan | undefined {
  const { mark, doubtful }: MarkVote = decimalMarkOf(texts, delimiter);
  const fitting = texts.filter(text => !Number.isNaN(parseNumber(text, mark))).length;
  if (fitting < texts.length * NEARLY_ALL) return undefined;
  return { type: 'number', read: text => parseNumber(text, mark), doubtful };
}

const WORDS: Readonly<Record<string, number>> = { true: 1, yes: 1, false: 0, no: 0 };
/** 1 or 0, or the missing marker when the text is neither yes nor no. */
export const readBoolean = (text: string): number => WORDS[text.trim().toLowerCase()] ?? MISSING_BOOLEAN;

/** Fills one column text by text; typed memory doubles as rows come, so no row is ever kept. */
export class ColumnReader {
  private data: Float64Array | Int32Array | Uint8Array;
  private readonly codes = new TextCodes();
  private length = 0;
  /** Rows whose text was there but did not fit, with the text. */
  readonly misfits: { readonly row: number; readonly text: string }[] = [];
  misfitCount = 0;

  constructor(
    readonly name: string,
    readonly plan: ColumnPlan,
    expectedRows: number,
  ) {
    this.data = memoryFor(plan.type, Math.max(16, expectedRows));
  }

  push(text: string | undefined): void {
    if (this.length === this.data.length) this.grow();
    this.data[this.length] = this.plan.type === 'text' ? this.codeOf(text) : this.rawOf(text);
    this.length++;
  }

  column(): Column {
    // Memory that was guessed well is used as it is; what was guessed far too large is given back.
    const fits = this.length >= this.data.length * 0.8;
    const data = fits ? this.data.subarray(0, this.length) : this.data.slice(0, this.length);
    return named(this.name, {
      type: this.plan.type,
      data,
      ...(this.plan.type === 'text' ? { dictionary: this.codes.dictionary } : {}),
    } as Column);
  }

  /** More misfits than a typo or two: the sample misled, and the column is text after all. */
  isMisread(): boolean {
    return this.misfitCount > this.length * (1 - NEARLY_ALL);
  }

  private codeOf(text: string | undefined): number {
    return text === undefined || text === '' ? MISSING_TEXT : this.codes.codeOf(text);
  }

  private rawOf(text: string | undefined): number {
    const missing = this.plan.type === 'boolean' ? MISSING_BOOLEAN : NaN;
    if (text === undefined || isMissingWord(text)) return missing;
    const raw = this.plan.read(text);
    if (raw !== missing && raw === raw) return raw;
    if (this.misfitCount++ < KEPT_MISFITS) this.misfits.push({ row: this.length, text });
    return missing;
  }

  private grow(): void {
    const larger = memoryFor(this.plan.type, Math.ceil(this.data.length * 1.5) + 16);
    larger.set(this.data);
    this.data = larger;
  }
}

// Enough to show where a file is faulty; the rest is counted.
const KEPT_MISFITS = 5;

function memoryFor(type: ColumnType, rows: number): Float64Array | Int32Array | Uint8Array {
  if (type === 'text') return new Int32Array(rows);
  return type === 'boolean' ? new Uint8Array(rows) : new Float64Array(rows);
}
