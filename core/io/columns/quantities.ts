/** The number of a text such as `12 kg`, `€ 3.50` or `(5 %)`, and its unit; empty for a bare number. */
export interface Quantity {
  readonly number: string;
  readonly unit: string;
}

const SIGN = '[+\\-−]?';
// A currency's sign, or its three letters, in front; the number's own sign may stand on either side of it.
const BEFORE = new RegExp(`^(${SIGN})\\s*([€$£¥₹₩₺₽]|[A-Z]{3}(?=[\\s\\d]))\\s*(${SIGN}\\d[^\\p{L}]*)$`, 'u');
// A percent sign, a currency or a unit of up to a dozen letters behind.
const BEHIND = /^([+\-−]?[\d.,][^\p{L}%‰°€$£¥₹₩₺₽]*?)\s*([%‰€$£¥₹₩₺₽]|[\p{L}µ°][\p{L}\d°µ²³/·]{0,11})$/u;
const BRACKETED = /^\((.*)\)$/s;

/** Splits a text into number and unit; a text of another form is all number. */
export function quantityOf(text: string): Quantity {
  const tidy = text.trim();
  const inside = BRACKETED.exec(tidy)?.[1];
  if (inside !== undefined) {
    const { number, unit } = quantityOf(inside);
    return unit === '' ? { number: tidy, unit: '' } : { number: `(${number})`, unit };
  }
  const before = BEFORE.exec(tidy);
  if (before) return { number: `${before[1]}${before[3]}`.trim(), unit: before[2] as string };
  const behind = BEHIND.exec(tidy);
  // An exponent without digits behind it is a letter all the same.
  return behind ? { number: (behind[1] as string).trim(), unit: behind[2] as string } : { number: tidy, unit: '' };
}

/** The unit of more than half of the texts; undefined when there is none. */
export function sharedUnit(texts: readonly string[]): string | undefined {
  const counts = new Map<string, number>();
  for (const text of texts) {
    const { unit } = quantityOf(text);
    if (unit) counts.set(unit, (counts.get(unit) ?? 0) + 1);
  }
  const [unit, count] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? ['', 0];
  return count > texts.length / 2 ? unit : undefined;
}
