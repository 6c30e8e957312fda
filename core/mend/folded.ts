const SPACES = /[ \t\u00a0\u1680\u2000-\u200b\u202f\u205f\u3000\ufeff]+/g;

/** A text without spaces before and behind it and without doubled ones, of whatever kind; line breaks stay. */
export const tidied = (text: string): string => text.replace(SPACES, ' ').trim();

/** A text by which spellings are compared: tidied, in small letters, without accents (Unicode's compatibility decomposition, marks taken off). */
export const folded = (text: string): string => tidied(text).normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
