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
}

// By decimals and grouping, as one number: labels are written by the hundred.
const writers = new Map<number, Writer>();
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

function writerOf(minimum: number, maximum: number, useGrouping: boolean): Writer {
  const key = minimum * 1000 + maximum * 10 + (useGrouping ? 1 : 0);
  let writer = writers.get(key);
  if (!writer) {
    const digits = { minimumFractionDigits: minimum, maximumFractionDigits: maximum, useGrouping };
    // What rounds to zero has no sign: a reader would take −0 for a fall.
    writer = new Writer(new Intl.NumberFormat('en', { ...digits, signDisplay: 'negative' }));
    writers.set(key, writer);
  }
  return writer;
}

/**
 * A number for reading: thousands grouped, a true minus sign, four significant digits below 100 when no
 * decimals are set. Missing gives a dash, never zero.
 */
export function formatNumber(value: number, style: NumberStyle = {}): string {
  if (Number.isNaN(value)) return '–';
  const { unit, percent = false, prefix = '', suffix = '', scale = 1 } = style;
  const written = withDecimals((value / scale) * (percent ? 100 : 1), style);
  // The sign stands before everything: −€3, not €−3.
  const [sign, digits] = written.startsWith('-') ? ['−', written.slice(1)] : ['', written];
  return `${sign}${prefix}${digits.replace('-', '−')}${percent ? ' %' : ''}${suffix}${unit ? ` ${unit}` : ''}`;
}

function withDecimals(value: number, { decimals, grouping = true }: NumberStyle): string {
  if (decimals !== undefined) return writerOf(decimals, decimals, grouping).write(value);
  const size = Math.abs(value);
  if (size !== 0 && size < 1e-4) return value.toExponential(2);
  return writerOf(0, size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : 5, grouping).write(value);
}
