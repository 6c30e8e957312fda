/** A pure function of a text that keeps its last results; when `most` are kept, all are forgotten and it starts anew. */
export function remembered<T>(compute: (text: string) => T, most: number): (text: string) => T {
  const kept = new Map<string, T>();
  return text => {
    let result = kept.get(text);
    if (result === undefined) {
      if (kept.size >= most) kept.clear();
      kept.set(text, (result = compute(text)));
    }
    return result;
  };
}
