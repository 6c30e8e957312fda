/**
 * `after`, made of the parts of `before` wherever they are equal: what did not change keeps its identity, so that what was computed from it holds.
 * Takes plain data: objects, lists, texts, numbers, booleans, null. Cost: one walk through both.
 */
export function sharedParts<T>(before: unknown, after: T): T {
  if (Object.is(before, after) || typeof after !== 'object' || after === null || typeof before !== 'object' || before === null)
    return after;
  if (Array.isArray(after) !== Array.isArray(before)) return after;
  const [old, fresh] = [before as Readonly<Record<string, unknown>>, after as Readonly<Record<string, unknown>>];
  const keys = Object.keys(fresh);
  const parts = keys.map(key => [key, sharedParts(Object.hasOwn(old, key) ? old[key] : undefined, fresh[key])] as const);
  if (keys.length === Object.keys(old).length && parts.every(([key, part]) => Object.is(old[key], part) && Object.hasOwn(old, key)))
    return before as T;
  // Of the same shape as `after`, part by part.
  return (Array.isArray(after) ? parts.map(([, part]) => part) : Object.fromEntries(parts)) as T;
}
