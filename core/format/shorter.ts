import { formatNumber, type NumberStyle } from './format-number';
import { LADDERS } from './ladder';

// From here on a number is read in thousands, millions, billions where it has no room.
const LARGE = 10_000;

/** The same number in fewer letters, for where it has no room: three digits, then two; large ones in the units of a ladder. Each shorter than the one before, none where there is none. */
export function shorterTexts(value: number, style: NumberStyle): string[] {
  if (!Number.isFinite(value)) return [];
  const { scale = 1, ladder, percent } = style;
  const large = !ladder && !percent && Math.abs(value / scale) >= LARGE;
  const full = formatNumber(value, style);
  const texts: string[] = [];
  // Two digits of a small number would tell another one.
  for (const significant of large || ladder ? [3, 2] : [3]) {
    const text = formatNumber(value, { ...style, decimals: undefined, significant, ...(large ? { ladder: LADDERS.counts } : {}) });
    if (text.length < (texts.at(-1) ?? full).length) texts.push(text);
  }
  return texts;
}
