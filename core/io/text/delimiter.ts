const MARKS = [',', ';', '\t', '|'] as const;

/** A first line `sep=;` names the delimiter. */
const NAMED = /^\uFEFF?"?sep=(.)"?\s*$/i;
const namedDelimiter = (line: string): string | undefined => NAMED.exec(line)?.[1];

/**
 * The delimiter that splits most of the first lines into equally many cells, and into the most. Quoted parts are ignored; a named delimiter decides.
 */
export function delimiterOf(text: string): string {
  const named = namedDelimiter(text.slice(0, 40).split(/[\r\n]/)[0] ?? '');
  if (named !== undefined) return named;
  const lines = firstLines(text);
  const scored = MARKS.map(mark => ({ mark, score: scoreOf(lines, mark) })).sort((a, b) => b.score - a.score);
  return scored[0]?.score ? scored[0].mark : ',';
}

function firstLines(text: string): string[] {
  const unquoted = text.slice(0, 20_000).replaceAll(/"(?:""|[^"])*"/g, '');
  return unquoted
    .split(/\r\n|\n|\r/)
    .filter(line => line.trim() !== '')
    .slice(0, 20);
}

// Lines that agree count far more than many cells in a few lines: a title above the table has other marks, or none.
function scoreOf(lines: readonly string[], mark: string): number {
  const counts = lines.map(line => line.split(mark).length - 1).filter(count => count > 0);
  const common = mostCommon(counts);
  return common === 0 ? 0 : counts.filter(count => count === common).length * 1000 + Math.min(common, 999);
}

/** The most frequent number in a list, the larger one on a tie; 0 for an empty list. */
export function mostCommon(numbers: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const number of numbers) counts.set(number, (counts.get(number) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 0;
}
