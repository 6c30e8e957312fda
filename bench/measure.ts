/** One way to do a piece of work. `run` may answer with a promise. */
export interface Contender {
  readonly name: string;
  /** What must stand ready before each round, such as fresh copies; not timed. */
  readonly prepare?: () => unknown;
  readonly run: () => unknown;
}

/** Work on something made anew before each round, such as a copy in new memory, whose making is not the work. */
export function onNew<T>(make: () => T, work: (made: T) => unknown): Pick<Contender, 'prepare' | 'run'> {
  let made: T;
  return { prepare: () => (made = make()), run: () => work(made) };
}

export interface Timing {
  readonly name: string;
  /** Median of the rounds, in milliseconds. */
  readonly median: number;
}

export interface Rounds {
  readonly rounds?: number;
  readonly warmup?: number;
}

/**
 * Times contenders in alternation, so that whatever else the machine does meets all of them alike; medians after a
 * warm-up. Absolute times mean nothing on a shared machine: read the ratios.
 */
export async function compare(contenders: readonly Contender[], { rounds = 9, warmup = 3 }: Rounds = {}): Promise<Timing[]> {
  const times = contenders.map((): number[] => []);
  for (let round = -warmup; round < rounds; round++)
    for (const [i, { prepare, run }] of contenders.entries()) {
      prepare?.();
      const start = performance.now();
      await run();
      if (round >= 0) times[i]?.push(performance.now() - start);
    }
  return contenders.map(({ name }, i) => ({ name, median: median(times[i] ?? []) }));
}

export const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** A row of NUMBERS.md: its contenders, timed, the first being the measure of all. */
export interface BenchRow {
  readonly name: string;
  readonly work: string;
  readonly reach: string;
  readonly run: () => Promise<readonly BenchResult[]>;
}

export interface BenchResult {
  /** What was varied, such as "200 bars"; empty when nothing was. */
  readonly at: string;
  readonly timings: readonly Timing[];
  /** What else was seen, such as peak memory. */
  readonly notes?: readonly string[];
}

/** `reference 1.0 · ours 1.4`, with the base's median in milliseconds for orientation. */
export function ratios(timings: readonly Timing[]): string {
  const base = timings[0]?.median ?? NaN;
  return timings.map(({ name, median }) => `${name} ${(median / base).toFixed(2)}`).join(' · ') + `   (1.00 = ${base.toFixed(2)} ms)`;
}
