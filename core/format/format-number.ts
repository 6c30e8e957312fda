import { rungFor, type Rung } from './ladder';

/** How numbers are written. All parts are free; without any, numbers are grouped and cut to about four digits. */
export interface NumberStyle {
  readonly decimals?: number | undefined;
  /** Written behind, after a space. */
  readonly unit?: string | undefined;
  /** Thousands grouped; yes unless told otherwise. */
  readonly grouping?: boolean | undefined;
  /** A share from 0 to 1, shown times a hundred with a percent sign. */
  readonly percent?: boolean | undefined;
  readonly prefix?: string | undefined;
  readonly suffix?: string | undefined;
  /** Shown in units of this size: 1,000 writes 4,500 as 4.5. */
  readonly scale?: number | undefined;
  /** Digits in all, instead of decimals. */
  readonly significant?: number | undefined;
  /** Whose separators are written; English unless told otherwise. */
  readonly language?: Language | undefined;
  /** Units to choose from, rising: each value is written in the largest that it fills. */
  readonly ladder?: readonly Rung[] | undefined;
  /** One unit of the ladder for all values of a column or an axis (see `oneDecimals`). */
  readonly unitForAll?: boolean | undefined;
  /** A plus sign before what is above zero. */
  readonly signed?: boolean | undefined;
  /** Writes negative numbers in parentheses instead of with a minus sign. */
  readonly parentheses?: boolean | undefined;
  /** The text for no value; a dash by default. */
  readonly missing?: string | undefined;
}

/** Languages whose ways to separate digits can be chosen. */
export const LANGUAGES = ['en', 'de', 'de-CH', 'fr', 'it', 'es', 'pl', 'sv', 'en-IN'] as const;

/** Whose separators are written. */
export type Language = (typeof LANGUAGES)[number];

// By digits, grouping and language: labels are written by the hundred.
const writers = new Map<string, Map<number, Writer>>();
// An edit leaves most values as they were; enough for every label of a figure.
const KEPT = 10_000;

/** Writes numbers one way, and remembers what it wrote. */
class Writer {
  private readonly written = new Map<number, string>();

  constructor(private readonly format: Intl.NumberFormat) {}

  write(value: number): string {
    let text = this.written.get(value);
    if (text === undefined) {
      if (this.written.size >= KEPT) this.written.clear();
      this.written.set(value, (text = this.format.format(value)));
    }
    return text;
  }
}

/** Decimals from so many to so many; or, where `significant` is above 0, so many digits in all. */
function writerOf(minimum: number, maximum: number, significant: number, { grouping = true, language = 'en' }: NumberStyle): Writer {
  let known = writers.get(language);
  if (!known) writers.set(language, (known = new Map<number, Writer>()));
  // One number for all of it: a text as a key would cost more than what is written.
  const key = ((significant * 100 + minimum) * 100 + maximum) * 2 + (grouping ? 1 : 0);
  let writer = known.get(key);
  if (!writer) {
    const digits = significant
      ? { minimumSignificantDigits: significant, maximumSignificantDigits: significant }
      : { minimumFractionDigits: minimum, maximumFractionDigits: maximum };
    // What rounds to zero has no sign: a reader would take −0 for a fall.
    writer = new Writer(new Intl.NumberFormat(language, { ...digits, useGrouping: grouping, signDisplay: 'negative' }));
    known.set(key, writer);
  }
  return writer;
}

/**
 * A number for reading: thousands grouped, a true minus sign, four significant digits below 100 when no
 * decimals are set; a percent has two decimals from 0.1 on. Missing gives a dash, never zero.
 */
export function formatNumber(value: number, style: NumberStyle = {}): string {
  if (Number.isNaN(value)) return style.missing ?? '–';
  const { unit, percent = false, prefix = '', suffix = '', scale = 1, ladder } = style;
  const counted = (value / scale) * (percent ? 100 : 1);
  const rung = ladder?.length ? rungFor(counted, ladder, roundingOf(style)) : null;
  const written = withDigits(rung ? counted / rung.size : counted, style);
  // The sign stands before everything: −€3, not €−3. Only what is below zero has one, or a power below one.
  const falls = counted <= 0 && /^[-−]/.test(written);
  const digits = (falls ? written.slice(1) : written).replace('-', '−');
  const whole = `${prefix}${digits}${rung?.symbol ? ` ${rung.symbol}` : ''}${percent ? ' %' : ''}${suffix}${unit ? ` ${unit}` : ''}`;
  if (falls) return style.parentheses ? `(${whole})` : `−${whole}`;
  return style.signed && /[1-9]/.test(digits) ? `+${whole}` : whole;
}

/** A number as it will be written, as a number again; for the units of ladders alone. */
function roundingOf({ decimals, significant }: NumberStyle): (value: number) => number {
  if (significant) return value => Number(value.toPrecision(significant));
  return decimals === undefined ? value => Number(value.toPrecision(4)) : value => Number(value.toFixed(Math.min(decimals, 20)));
}

function withDigits(value: number, style: NumberStyle): string {
  const { decimals, significant, percent = false } = style;
  if (significant) return writerOf(0, 0, significant, style).write(value);
  if (decimals !== undefined) return writerOf(decimals, decimals, 0, style).write(value);
  const size = Math.abs(value);
  if (size !== 0 && size < 1e-4) return value.toExponential(2);
  return writerOf(0, size >= 1000 ? 0 : size >= 100 ? 1 : size >= (percent ? 0.1 : 1) ? 2 : 5, 0, style).write(value);
}
