/** The longest that one call may take, in milliseconds. */
const LIMIT = 1_000;

/**
 * Finds calls that take over a second by themselves: one that does is run twice more and judged by its shortest run, since a busy machine can hold
 * up any call, and a slow one is slow every time.
 */
export class Slowness {
  private readonly found: string[] = [];

  /** Runs a call; what it throws goes on. `name` is asked for only where it is slow. */
  run<T>(call: () => T, name: () => string): T {
    const first = timed(call);
    if (first.took > LIMIT && Math.min(timed(call).took, timed(call).took) > LIMIT) this.found.push(name());
    return first.value;
  }

  /** Names of the slow calls so far. */
  get calls(): readonly string[] {
    return this.found;
  }
}

function timed<T>(call: () => T): { value: T; took: number } {
  const started = performance.now();
  return { value: call(), took: performance.now() - started };
}
