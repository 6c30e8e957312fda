import { execFileSync } from 'node:child_process';

// The long form of a generated test is ten slices; a run of the tests takes one of them.
const SLICES = 10;

/** All slices of generated tests are run: `npm run endure`. */
export const isLong = process.env['ENDURE'] === 'long';

/**
 * The slice that a short run takes, 0 to 9. It changes with the commit, so that runs over time cover the long form; `COWBELL_SLICE` repeats one. The runner
 * prints it (`tools/jasmine.ts`).
 */
export const slice = sliceOf(process.env['COWBELL_SLICE'] ?? commit());

const slices: readonly number[] = isLong ? Array.from({ length: SLICES }, (_, i) => i) : [slice];

function sliceOf(text: string): number {
  return Number.parseInt(text.slice(-4), 16) % SLICES || 0;
}

/** The commit's name, or nothing where there is no repository. */
function commit(): string {
  try {
    return execFileSync('git', ['rev-parse', '--short=8', 'HEAD'], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim();
  } catch {
    return '0';
  }
}

/**
 * Seeds of this run out of so many.
 *
 * @param count how many the long form has, a multiple of ten
 * @param kept seeds that once failed: part of every run
 * @returns sorted ascending, without repeats
 */
export function seedsOf(count: number, kept: readonly number[] = []): number[] {
  const size = count / SLICES;
  const seeds = slices.flatMap(at => Array.from({ length: size }, (_, i) => at * size + i));
  return [...new Set([...kept, ...seeds])].sort((a, b) => a - b);
}

/** How many cases of so many this run has: for what a test expects of the sum of its cases. */
export const shareOf = (count: number): number => Math.floor((count * slices.length) / SLICES);

/**
 * Streams of cases: each slice has a generator of its own, so that a short run repeats a part of the long one.
 *
 * @param count how many cases the long form has
 */
export const streamsOf = (count: number): readonly { readonly seed: number; readonly count: number }[] =>
  slices.map(seed => ({ seed, count: count / SLICES }));
