import type { Thousands } from 'core/table';

/** How a column writes its decimals: `12.5` or `12,5`. */
export type DecimalMark = 'point' | 'comma';

const PLAIN = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const COMMA_PLAIN = /^[+-]?(\d+,?\d*|,\d+)(e[+-]?\d+)?$/i;
// Thin, narrow and plain spaces and apostrophes group thousands in one language or another: one to three digits, then three at a time by one sign.
const SPACED = /^[+-]?\d{1,3}([\u0020\u00a0\u2009\u202f'’])\d{3}(?:\1\d{3})*([.,]\d+)?$/;
const POINT_GROUPED = /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/;
const COMMA_GROUPED = /^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$/;
// Lakh and crore: two digits at a time before the last three.
const POINT_LAKH = /^[+-]?\d{1,2}(,\d{2})+,\d{3}(\.\d+)?$/;
const GROUP_SIGNS = /[\u0020\u00a0\u2009\u202f'’]/g;

/** A number as people write it, with or without grouped thousands; NaN when the text is none, or none that a float can store. */
export function parseNumber(text: string, mark: DecimalMark = 'point'): number {
  // Most cells of most files are plain: one conversion, no pattern.
  if (mark === 'point' && startsPlain(text)) {
    const quick = Number(text);
    if (Number.isFinite(quick) && (quick !== 0 || isZero(text))) return quick;
  }
  const tidy = text.trim().replace('−', '-');
  const accounted = /^\(([^()+-]+)\)$/.exec(tidy);
  const plain = plainText(accounted ? (accounted[1] as string).trim() : tidy, mark);
  if (plain === null) return NaN;
  const value = Number(plain);
  if (!Number.isFinite(value) || (value === 0 && !isZero(plain))) return NaN;
  return accounted ? -value : value;
}

const GROUPS: Readonly<Record<Exclude<Thousands, 'none'>, string>> = {
  point: '\\.',
  comma: ',',
  space: '[ \u00a0\u2009\u202f]',
  apostrophe: "['’]",
};

/** A number whose thousands are grouped by one given sign, or not at all; NaN for any other text. */
export function parseGrouped(text: string, mark: DecimalMark, thousands: Thousands): number {
  const tidy = text.trim();
  if (thousands === 'none')
    return /\d[\s'’]|[.,].*[.,]/.test(tidy) || (mark === 'point' ? /,/ : /\./).test(tidy) ? NaN : parseNumber(tidy, mark);
  const sign = GROUPS[thousands];
  const isGrouped = new RegExp(`^[(+\\-−]*\\d{1,3}(?:${sign}\\d{3})+(?!\\d)`).test(tidy);
  const bare = isGrouped ? tidy.replaceAll(new RegExp(`(?<=\\d)${sign}(?=\\d{3}(?!\\d))`, 'g'), '') : tidy;
  return parseGrouped(bare, mark, 'none');
}

/** Digits with a point; null when the text is no number. */
function plainText(text: string, mark: DecimalMark): string | null {
  if (mark === 'point') {
    if (PLAIN.test(text)) return text;
    if (POINT_GROUPED.test(text) || POINT_LAKH.test(text)) return text.replaceAll(',', '');
  } else {
    if (COMMA_PLAIN.test(text)) return text.replace(',', '.');
    if (COMMA_GROUPED.test(text)) return text.replaceAll('.', '').replace(',', '.');
  }
  const spaced = SPACED.exec(text);
  if (!spaced || (spaced[2] !== undefined && spaced[2].startsWith(mark === 'point' ? ',' : '.'))) return null;
  return text.replaceAll(GROUP_SIGNS, '').replace(',', '.');
}

/** Whether a text is a zero as written, not a number too small for a float. */
const isZero = (text: string): boolean => !/[1-9]/.test(text.split(/e/i)[0] ?? '');

/** Whether a text starts with a digit or a sign and a digit, without a prefix such as in `0x1f`. */
function startsPlain(text: string): boolean {
  const first = text.charCodeAt(0);
  const second = text.charCodeAt(1);
  if (first === 45 || first === 43) return second >= 48 && second <= 57;
  return first >= 48 && first <= 57 && !(second > 57 && second !== 101 && second !== 69);
}

/** The decimal mark of a column, and how certain it is. */
export interface MarkVote {
  readonly mark: DecimalMark;
  /** A text that both marks read, with different values, when nothing else decided, such as `1,234`. */
  readonly doubtful: string | undefined;
}

/**
 * The decimal mark of a column from its texts: the one that reads more of them; texts that only the other can read decide against it (`12,5`); a
 * semicolon as delimiter speaks for the comma.
 */
export function decimalMarkOf(texts: readonly string[], delimiter: string): MarkVote {
  const reads = (mark: DecimalMark): number => texts.filter(text => !Number.isNaN(parseNumber(text, mark))).length;
  const [point, comma] = [reads('point'), reads('comma')];
  const doubtful = texts.find(text => isDoubtful(text));
  if (point !== comma) return { mark: point > comma ? 'point' : 'comma', doubtful: undefined };
  return { mark: doubtful && delimiter === ';' ? 'comma' : 'point', doubtful };
}

function isDoubtful(text: string): boolean {
  const [point, comma] = [parseNumber(text, 'point'), parseNumber(text, 'comma')];
  return !Number.isNaN(point) && !Number.isNaN(comma) && point !== comma;
}
