/** The reason why a column of digits is one of identifiers, not of numbers. */
export type IdentifierSign = 'zeros' | 'plus' | 'digits' | 'codes';

const ZEROS = /^0\d/;
const PLUS = /^\+\d{7,}$/;
const DIGITS = /^[+-]?\d{16,}$/;
const CODE = /^\d+E\d+$/;

/**
 * The sign that a text is an identifier: a leading zero that a number would lose, a plus before many digits, or more digits than a float stores.
 * Undefined for all others. Cost: a few comparisons for most cells.
 */
export function identifierSign(text: string): IdentifierSign | undefined {
  const first = text.charCodeAt(0);
  if (first === 48) return text.length > 1 && ZEROS.test(text) ? 'zeros' : undefined;
  if (first === 43 && text.length > 7) return PLUS.test(text) ? 'plus' : undefined;
  return text.length > 15 && DIGITS.test(text) && !Number.isSafeInteger(Number(text)) ? 'digits' : undefined;
}

/** The first identifier among texts that could be numbers. `1E5` and `2E7` are codes where no number has a decimal mark or a signed exponent. */
export function identifierAmong(texts: readonly string[]): { readonly sign: IdentifierSign; readonly example: string } | undefined {
  for (const text of texts) {
    const sign = identifierSign(text.trim());
    if (sign) return { sign, example: text.trim() };
  }
  const code = texts.find(text => CODE.test(text.trim()));
  return code !== undefined && texts.every(text => /^\d+(E\d+)?$/.test(text.trim())) ? { sign: 'codes', example: code.trim() } : undefined;
}
