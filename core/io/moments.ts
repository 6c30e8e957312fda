import { daysOf, parseIsoDate, parseIsoTimestamp } from 'core/table';

/** Ways to write a date; the first that reads a whole column wins. */
export type DateStyle = 'iso' | 'day-first' | 'month-first';

const PARTS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/;

/** A date in the given style as days since 1970-01-01, or NaN. */
export function parseDate(text: string, style: DateStyle): number {
  if (style === 'iso') return parseIsoDate(text.trim());
  const parts = PARTS.exec(text.trim());
  if (!parts) return NaN;
  const [first, second, year] = [Number(parts[1]), Number(parts[2]), Number(parts[3])];
  return style === 'day-first' ? daysOf(year, second, first) : daysOf(year, first, second);
}

export const parseTimestamp = (text: string): number => parseIsoTimestamp(text.trim());

/** The style that reads every text, and an example where day and month could be swapped with nothing to tell. */
export function dateStyleOf(texts: readonly string[]): { readonly style: DateStyle; readonly doubtful: string | undefined } | undefined {
  if (texts.length === 0) return undefined;
  const styles: readonly DateStyle[] = ['iso', 'day-first', 'month-first'];
  const fitting = styles.filter(style => texts.every(text => !Number.isNaN(parseDate(text, style))));
  const [style] = fitting;
  if (!style) return undefined;
  const doubtful = fitting.length > 1 ? texts.find(text => parseDate(text, 'day-first') !== parseDate(text, 'month-first')) : undefined;
  // Dots between the parts are a day-first habit everywhere.
  return { style, doubtful: doubtful?.includes('.') ? undefined : doubtful };
}
