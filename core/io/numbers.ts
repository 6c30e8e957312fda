/** How a column writes its decimals: `12.5` or `12,5`. */
export type DecimalMark = 'point' | 'comma';

// Thin, narrow and plain spaces and apostrophes group thousands in one language or another.
const GROUPS = /[\u0020\u00a0\u2009\u202f'’](?=\d{3})/g;
const PLAIN = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const POINT_GROUPED = /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/;
const COMMA_GROUPED = /^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$/;
const COMMA_PLAIN = /^[+-]?(\d+,?\d*|,\d+)(e[+-]?\d+)?$/i;

/** A number as people write it, thousands grouped or not, or NaN when the text is none. */
export function parseNumber(text: string, mark: DecimalMark = 'point'): number {
  // Most cells of most files are plain: one conversion, no pattern.
  if (mark === 'point' && startsPlain(text)) {
    const quick = Number(text);
    if (Number.isFinite(quick)) return quick;
  }
  const tidy = text.trim().replace('−', '-').replace(GROUPS, '');
  const plain = mark === 'point' ? pointText(tidy) : commaText(tidy);
  return plain !== null && Number.isFinite(Number(plain)) ? Number(plain) : NaN;
}

/** A digit first, or a sign before one; not one of the prefixes that make `0x1f` a number for the language alone. */
function startsPlain(text: string): boolean {
  const first = text.charCodeAt(0);
  const second = text.charCodeAt(1);
  if (first === 45 || first === 43) return second >= 48 && second <= 57;
  return first >= 48 && first <= 57 && !(second > 57 && second !== 101 && second !== 69);
}

const pointText = (text: string): string | null => (PLAIN.test(text) ? text : POINT_GROUPED.test(text) ? text.replaceAll(',', '') : null);

const commaText = (text: string): string | null =>
  COMMA_PLAIN.test(text) ? text.replace(',', '.') : COMMA_GROUPED.test(text) ? text.replaceAll('.', '').replace(',', '.') : null;

/** How sure a column's texts make us of its decimal mark. */
export interface MarkVote {
  readonly mark: DecimalMark;
  /** A text that both readings accept with different values and that decided nothing, such as `1,234`. */
  readonly doubtful: string | undefined;
}

/**
 * The decimal mark of a column from its texts: whichever reads more of them, the other mark's unmistakable texts
 * (`12,5` can only be a comma) decide; semicolons between cells speak for the comma.
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
