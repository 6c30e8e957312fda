const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
// Characters that no XML may hold, escaped or not: controls, halves of pairs, and two that are no characters.
const FORBIDDEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

// Most texts are plain: letters, digits and signs that mean nothing in markup.
const PLAIN = /^[ !#-%(-;=?-~]*$/;

/** A text as XML holds it: what would be markup is escaped, what no XML may hold is replaced by the sign for that. */
export const escaped = (text: string): string =>
  PLAIN.test(text) ? text : text.replace(FORBIDDEN, '\ufffd').replace(/[&<>"']/g, found => ESCAPES[found] ?? found);

/** A coordinate to the hundredth of a pixel, never −0, so that the same figure is written the same way each time. */
export const num = (value: number): string => String(Math.round(value * 100) / 100 + 0);

/** Attributes of an element; what is undefined is left out. */
export function attributes(values: Readonly<Record<string, string | number | undefined>>): string {
  let text = '';
  for (const name in values) {
    const value = values[name];
    if (value !== undefined) text += ` ${name}="${typeof value === 'number' ? num(value) : escaped(value)}"`;
  }
  return text;
}
