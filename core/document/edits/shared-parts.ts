/**
 * `after`, with every part that equals one of `before` replaced by it, so that unchanged parts keep their identity and cached results stay valid.
 * Takes plain data: objects, lists, texts, numbers, booleans, null. Cost: one walk through both.
 */
export function sharedParts<T>(before: unknown, after: T): T {
  if (Object.is(before, after) || typeof after !== 'object' || after === null || typeof before !== 'object' || before === null)
    return after;
  if (Array.isArray(after) !== Array.isArray(before)) return after;
  const [old, fresh] = [before as Readonly<Record<string, unknown>>, after as Readonly<Record<string, unknown>>];
  const keys = Object.keys(fresh);
  // Most of a document is equal: nothing is made for what is.
  let isSame = keys.length === Object.keys(old).length;
  const parts: unknown[] = [];
  for (const key of keys) {
    const part = Object.hasOwn(old, key) ? sharedParts(old[key], fresh[key]) : fresh[key];
    isSame &&= Object.hasOwn(old, key) && Object.is(old[key], part);
    parts.push(part);
  }
  if (isSame) return before as T;
  // Of the same shape as `after`, part by part.
  return (Array.isArray(after) ? parts : Object.fromEntries(keys.map((key, i) => [key, parts[i]]))) as T;
}
