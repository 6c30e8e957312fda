import { oncePer } from 'core/stages';
import type { TextVec } from './vec';

/** Compares by code point; UTF-16 order is wrong for characters beyond the basic plane. */
export function compareText(a: string, b: string): number {
  const length = Math.min(a.length, b.length);
  for (let i = 0; i < length; i++) {
    const [x, y] = [a.charCodeAt(i), b.charCodeAt(i)];
    if (x !== y) return codePointRank(x) - codePointRank(y);
  }
  return a.length - b.length;
}

// Surrogates (D800–DFFF) stand for code points above all of E000–FFFF.
const codePointRank = (unit: number): number => (unit >= 0xe000 ? unit - 0x800 : unit >= 0xd800 ? unit + 0x2000 : unit);

/** For each code of a dictionary its rank in code-point order. Computed once per dictionary. */
export const dictionaryRanks = oncePer(ranked);

function ranked(dictionary: readonly string[]): Int32Array {
  const order = dictionary.map((_, code) => code).sort((a, b) => compareText(dictionary[a] as string, dictionary[b] as string));
  const ranks = new Int32Array(dictionary.length);
  order.forEach((code, place) => (ranks[code] = place));
  return ranks;
}

/**
 * Two text vectors as numbers that compare like the texts; missing becomes NaN. Both dictionaries are ranked together, so that a comparison of texts
 * is one of numbers.
 */
export function comparableNumbers(left: TextVec, right: TextVec): [Float64Array, Float64Array] {
  const all = [...new Set([...left.dictionary, ...right.dictionary])];
  const ranks = dictionaryRanks(all);
  const placeOf = new Map(all.map((text, i) => [text, ranks[i] as number]));
  const asNumbers = (vec: TextVec): Float64Array => {
    const places = vec.dictionary.map(text => placeOf.get(text) as number);
    return Float64Array.from(vec.data, code => places[code] ?? NaN);
  };
  return [asNumbers(left), asNumbers(right)];
}
