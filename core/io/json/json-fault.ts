// One token of JSON (RFC 8259), leading white space included.
const TOKEN =
  /[ \t\r\n]*([{}[\]:,]|"(?:[^"\\\u0000-\u001f]|\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4}))*"|-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?|true|false|null)/y;

/** What may follow: a value, a name, or the mark after one of them. */
type Next = 'value' | 'value-or-end' | 'name' | 'name-or-end' | 'colon' | 'comma-or-end';

/**
 * Offset of the first token that is not valid JSON, or of the end of the text when it is incomplete. Browsers' messages give a position for some
 * faults only.
 */
export function jsonFaultAt(text: string): number {
  const open: string[] = [];
  let next: Next = 'value';
  let at = 0;
  while (true) {
    TOKEN.lastIndex = at;
    const token = TOKEN.exec(text)?.[1];
    if (token === undefined) return skipSpace(text, at);
    const after = step(token, next, open);
    if (after === null || (open.length === 0 && after !== 'comma-or-end')) return skipSpace(text, at);
    at = TOKEN.lastIndex;
    next = after;
    if (open.length === 0) return skipSpace(text, at);
  }
}

function skipSpace(text: string, at: number): number {
  let end = at;
  while (end < text.length && /[ \t\r\n]/.test(text[end] as string)) end++;
  return end;
}

/** The tokens that may follow a token; null when it is not allowed here. Tracks open brackets. */
function step(token: string, next: Next, open: string[]): Next | null {
  const mark = '{}[]:,'.includes(token) ? token : token.startsWith('"') ? 'text' : 'other';
  if (mark === '}' || mark === ']') return closes(mark, next, open) ? 'comma-or-end' : null;
  switch (next) {
    case 'colon':
      return mark === ':' ? 'value' : null;
    case 'comma-or-end':
      return mark === ',' ? (open.at(-1) === '{' ? 'name' : 'value') : null;
    case 'name':
    case 'name-or-end':
      return mark === 'text' ? 'colon' : null;
    default:
      if (mark === ':' || mark === ',') return null;
      if (mark === '{' || mark === '[') open.push(mark);
      return mark === '{' ? 'name-or-end' : mark === '[' ? 'value-or-end' : 'comma-or-end';
  }
}

function closes(mark: '}' | ']', next: Next, open: string[]): boolean {
  if (!next.endsWith('-or-end') || open.at(-1) !== (mark === '}' ? '{' : '[')) return false;
  open.pop();
  return true;
}
