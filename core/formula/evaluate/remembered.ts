// Texts longer than this come from long lists, and a few hundred of them would fill the memory.
const LONGEST_KEPT = 20_000;

/** A pure function of a text with a cache; when `most` results are kept, the cache is emptied. */
export function remembered<T>(compute: (text: string) => T, most: number): (text: string) => T {
  const kept = new Map<string, T>();
  return text => {
    if (text.length > LONGEST_KEPT) return compute(text);
    let result = kept.get(text);
    if (result === undefined) {
      if (kept.size >= most) kept.clear();
      kept.set(text, (result = compute(text)));
    }
    return result;
  };
}
