/** The candidate most similar to a mistyped word; undefined when none is close. Method: Levenshtein distance. */
export function nearestName(word: string, candidates: readonly string[]): string | undefined {
  const limit = Math.max(1, Math.floor(word.length / 3) + 1);
  const scored = candidates.map(candidate => ({ candidate, distance: distanceOf(word.toLowerCase(), candidate.toLowerCase()) }));
  const best = scored.sort((a, b) => a.distance - b.distance)[0];
  return best && best.distance <= limit ? best.candidate : undefined;
}

function distanceOf(a: string, b: string): number {
  let previous = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const current = [i];
    for (let j = 1; j <= b.length; j++) {
      const swap = (previous[j - 1] as number) + (a[i - 1] === b[j - 1] ? 0 : 1);
      current.push(Math.min(swap, (previous[j] as number) + 1, (current[j - 1] as number) + 1));
    }
    previous = current;
  }
  return previous[b.length] as number;
}
