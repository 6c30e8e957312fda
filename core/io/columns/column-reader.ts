import { MISSING_BOOLEAN, MISSING_TEXT, named, TextCodes, type Column, type ColumnType } from 'core/table';
import { isMissingWord, NEARLY_ALL, pairOf, textPlan, type ColumnPlan } from './column-plan';
import { identifierSign } from './identifiers';

/** Reads one column text by text into typed memory, which doubles as needed; no row is kept. */
export class ColumnReader {
  private data: Float64Array | Int32Array | Uint8Array;
  private readonly codes = new TextCodes();
  private length = 0;
  /** Rows whose text did not fit the type, with the text. */
  readonly misfits: { readonly row: number; readonly text: string }[] = [];
  misfitCount = 0;
  /** Texts from which a guard against spreadsheet formulas was removed. */
  unguarded = 0;
  private identifier: ColumnPlan['identifier'];
  private readonly pairs = new Set<string>();
  private readonly answers = new Set<number>();
  private onlyRival = 0;
  private onlyOwn = 0;
  // Asked for every cell.
  private readonly isText: boolean;
  private readonly isBoolean: boolean;
  private readonly isNumber: boolean;
  private readonly read: ColumnPlan['read'];
  private readonly missing: ReadonlySet<string> | undefined;

  constructor(
    readonly name: string,
    readonly plan: ColumnPlan,
    expectedRows: number,
    /** Whether texts may have such a guard: those of files may, cells of other sources do not. */
    private readonly mayBeGuarded = true,
  ) {
    this.data = memoryFor(plan.type, Math.max(16, expectedRows));
    this.isText = plan.type === 'text';
    this.isBoolean = plan.type === 'boolean';
    this.isNumber = plan.type === 'number';
    this.read = plan.read;
    this.missing = plan.missing?.size ? plan.missing : undefined;
  }

  push(text: string | undefined): void {
    if (this.length === this.data.length) this.grow();
    const given = this.missing === undefined ? text : this.unlessMissing(text);
    this.data[this.length] = this.isText ? this.codeOf(given) : this.rawOf(given);
    this.length++;
  }

  private unlessMissing(text: string | undefined): string | undefined {
    return text !== undefined && this.missing?.has(text.trim()) ? undefined : text;
  }

  /** Adds missing values for the rows before the column begins. */
  skip(rows: number): void {
    while (this.data.length < this.length + rows) this.grow();
    this.data.fill(this.isText ? MISSING_TEXT : this.isBoolean ? MISSING_BOOLEAN : NaN, this.length, this.length + rows);
    this.length += rows;
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

  /** The plan that fits all rows; undefined where the present one does. */
  betterPlan(): ColumnPlan | undefined {
    const { type, rival, isFixed } = this.plan;
    if (type === 'text' || isFixed) return undefined;
    if (this.identifier) return textPlan(this.identifier);
    if (type === 'boolean') return this.misfitCount > 0 || this.pairs.size !== 1 || this.answers.size !== 2 ? textPlan() : undefined;
    if (rival && this.onlyRival > 0 && this.onlyOwn === 0) return rival;
    // More misfits than a typo or two: the sample misled, and the column is text after all.
    return this.length - this.misfitCount < this.length * NEARLY_ALL ? textPlan() : undefined;
  }

  /** A text with an ambiguous reading. */
  get doubtful(): string | undefined {
    return this.onlyOwn > 0 ? undefined : this.plan.doubtful;
  }

  private codeOf(text: string | undefined): number {
    if (text === undefined || text === '') return MISSING_TEXT;
    if (this.mayBeGuarded && text.charCodeAt(0) === APOSTROPHE && GUARDED.test(text)) {
      this.unguarded++;
      return this.codes.codeOf(text.slice(1));
    }
    return this.codes.codeOf(text);
  }

  private rawOf(text: string | undefined): number {
    const missing = this.isBoolean ? MISSING_BOOLEAN : NaN;
    if (text === undefined || isMissingWord(text)) return missing;
    const raw = this.read(text);
    if (this.isNumber) this.lookForIdentifier(text);
    if (this.plan.rival) this.compareRival(text, raw);
    if (raw !== missing && raw === raw) {
      if (this.isBoolean) this.noteAnswer(text, raw);
      return raw;
    }
    if (this.misfitCount++ < KEPT_MISFITS) this.misfits.push({ row: this.length, text });
    return missing;
  }

  private lookForIdentifier(text: string): void {
    const first = text.charCodeAt(0);
    // Nearly every cell is short and starts with another digit or a minus.
    if (text.length <= 15 && first !== 48 && first !== 43) return;
    if (this.identifier || text.length === 1) return;
    const sign = identifierSign(text);
    if (sign) this.identifier = { sign, example: text };
  }

  private compareRival(text: string, raw: number): void {
    if (this.onlyOwn > 0) return;
    const other = (this.plan.rival as ColumnPlan).read(text);
    if (raw !== raw && other === other) this.onlyRival++;
    if (raw === raw && other !== other) this.onlyOwn++;
  }

  private noteAnswer(text: string, raw: number): void {
    this.answers.add(raw);
    this.pairs.add(pairOf(text) ?? '');
  }

  private grow(): void {
    const larger = memoryFor(this.plan.type, Math.ceil(this.data.length * 1.5) + 16);
    larger.set(this.data);
    this.data = larger;
  }
}

// Enough to mend them one by one; the rest is counted.
const KEPT_MISFITS = 200;

const APOSTROPHE = 39;
/** A text that `writeCsv` guarded: an apostrophe before a text that a spreadsheet would execute. */
const GUARDED = /^'+[=+\-@\t\r]/;

function memoryFor(type: ColumnType, rows: number): Float64Array | Int32Array | Uint8Array {
  if (type === 'text') return new Int32Array(rows);
  return type === 'boolean' ? new Uint8Array(rows) : new Float64Array(rows);
}
