/** Something that a search may find, by its name and further words. */
export interface Findable {
  readonly name: string;
  readonly search?: string;
}

// Words at least this alike come near each other: of 1 where they are the same, of 0 where they share no two letters.
const ALIKE = 0.34;

/**
 * What comes near a query that finds nothing: the entries with the words most alike to those typed, by the letter pairs that they share (Dice's
 * coefficient), the nearest first. Cost: one comparison per word.
 */
export function nearest<T extends Findable>(query: string, entries: readonly T[], most = 3): readonly T[] {
  const typed = wordsIn(query);
  const scored = entries.map(entry => ({ entry, score: Math.max(0, ...likeness(typed, wordsIn(`${entry.name} ${entry.search ?? ''}`))) }));
  return scored
    .filter(({ score }) => score >= ALIKE)
    .sort((a, b) => b.score - a.score)
    .slice(0, most)
    .map(({ entry }) => entry);
}

const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(word => word.length > 1);

const likeness = (typed: readonly string[], words: readonly string[]): number[] => typed.flatMap(a => words.map(b => dice(a, b)));

function dice(a: string, b: string): number {
  const [one, other] = [pairsOf(a), pairsOf(b)];
  let shared = 0;
  for (const pair of one) if (other.has(pair)) shared++;
  return (2 * shared) / (one.size + other.size);
}

const pairsOf = (word: string): Set<string> => new Set(Array.from({ length: word.length - 1 }, (_, i) => word.slice(i, i + 2)));
