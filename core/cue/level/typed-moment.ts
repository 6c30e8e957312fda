const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const start = (year: string, month: number): string => `${year}-${String(month).padStart(2, '0')}-01`;

/** A period as the screen writes it, as the day that it begins with: "Q2 2012", "Apr 2012" and "2012" name 2012-04-01 and 2012-01-01. Any other text stays. */
export function typedMoment(text: string): string {
  const words = text.trim();
  const quarter = /^Q([1-4])\s+(\d{4})$/i.exec(words);
  if (quarter) return start(quarter[2] as string, 3 * Number(quarter[1]) - 2);
  const month = /^([a-z]{3})[a-z]*\.?\s+(\d{4})$/i.exec(words);
  const at = MONTHS.indexOf((month?.[1] ?? '').toLowerCase());
  if (month && at >= 0) return start(month[2] as string, at + 1);
  return /^\d{4}$/.test(words) ? start(words, 1) : words;
}
