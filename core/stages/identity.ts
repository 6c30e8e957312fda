/** Results kept by the identity of an object, for as long as the object lives. What is kept must not depend on anything that changes in place. */
export interface Kept<K extends object, V> {
  get(key: K): V | undefined;
  set(key: K, value: V): unknown;
  has(key: K): boolean;
}

/** An empty store of results by identity, where `oncePer` does not fit. */
export const keptPer = <K extends object, V>(): Kept<K, V> => new WeakMap<K, V>();

/** A function of an object that computes once per object: the same object gives the same result again. Memory: the results, while their objects live. */
export function oncePer<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const kept = keptPer<K, V>();
  return key => {
    const found = kept.get(key);
    // A result may be undefined.
    if (found !== undefined || kept.has(key)) return found as V;
    const value = make(key);
    kept.set(key, value);
    return value;
  };
}

/** As `oncePer`, for a function of two objects: it keeps one result per first object, for the second object that it was asked with last. */
export function lastPer<K extends object, I, V>(make: (key: K, input: I) => V): (key: K, input: I) => V {
  const kept = keptPer<K, { readonly input: I; readonly value: V }>();
  return (key, input) => {
    const last = kept.get(key);
    if (last?.input === input) return last.value;
    const value = make(key, input);
    kept.set(key, { input, value });
    return value;
  };
}
