import type { NumberStyle } from 'core/format';

// Digits behind the point where nothing is said, at most.
const MOST = 4;

/** How a spreadsheet writes numbers of a style: one number of decimals for a column, units behind. Units of a ladder stay what they are at its foot. */
export function numberFormat(
  { decimals, unit, grouping = true, percent, prefix = '', suffix = '', signed, parentheses }: NumberStyle,
  values: ArrayLike<number>,
): string {
  const digits = decimals ?? Math.min(MOST, most(values, percent === true));
  const number = `${grouping ? '#,##0' : '0'}${digits ? `.${'0'.repeat(Math.min(12, digits))}` : ''}${percent ? '%' : ''}`;
  const behind = [suffix, unit ? ` ${unit}` : ''].join('');
  const whole = `${quoted(prefix)}${number}${quoted(behind)}`;
  if (parentheses) return `${whole};(${whole})`;
  return signed ? `+${whole};-${whole};${whole}` : whole;
}

const quoted = (text: string): string => (text ? `"${text.replaceAll('"', '')}"` : '');

/** Digits that the values have behind the point. */
function most(values: ArrayLike<number>, percent: boolean): number {
  let found = 0;
  for (let i = 0; i < values.length && found < MOST; i++) {
    const value = (values[i] as number) * (percent ? 100 : 1);
    if (!Number.isFinite(value)) continue;
    while (found < MOST && Math.abs(value - Number(value.toFixed(found))) > Math.abs(value) * 1e-12) found++;
  }
  return percent ? Math.min(1, found) : found;
}

/** Formats of what is no number. */
export const MOMENTS = { date: 'yyyy-mm-dd', timestamp: 'yyyy-mm-dd hh:mm:ss' } as const;
