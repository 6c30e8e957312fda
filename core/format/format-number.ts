/** How numbers are written: fixed or up-to decimals, grouped thousands, a unit behind. */
export interface NumberStyle {
  readonly decimals?: number | undefined;
  readonly unit?: string | undefined;
}

const writers = new Map<string, Intl.NumberFormat>();

function writerOf(minimum: number, maximum: number): Intl.NumberFormat {
  const key = `${minimum}:${maximum}`;
  let writer = writers.get(key);
  if (!writer) {
    writer = new Intl.NumberFormat('en', { minimumFractionDigits: minimum, maximumFractionDigits: maximum });
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
  const unit = style.unit ? ` ${style.unit}` : '';
  return `${withDecimals(value, style.decimals).replace('-', '−')}${unit}`;
}

function withDecimals(value: number, decimals: number | undefined): string {
  if (decimals !== undefined) return writerOf(decimals, decimals).format(value);
  const size = Math.abs(value);
  if (size !== 0 && size < 1e-4) return value.toExponential(2);
  return writerOf(0, size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : 5).format(value);
}
