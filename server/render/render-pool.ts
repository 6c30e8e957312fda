import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { problem, type RenderAnswer } from './ask';

/** How many figures are made at once, and for how long. */
export interface PoolLimits {
  readonly workers: number;
  /** Most questions that wait beside those that are being answered. */
  readonly waiting: number;
  /** Milliseconds from a question to its answer, waiting included. */
  readonly patience: number;
}

const USUAL: PoolLimits = { workers: Math.max(1, availableParallelism() - 1), waiting: 8, patience: 20_000 };
// Memory of a worker, so that one large question ends that worker alone.
const MEMORY = { maxOldGenerationSizeMb: 1_024 };
const MINUTE_MS = 60_000;

/** Workers that make figures; a question that finds no room is refused, and one that takes too long ends its worker. */
export class RenderPool {
  private readonly pool: Piscina<string, RenderAnswer>;

  constructor(private readonly limits: PoolLimits = USUAL) {
    this.pool = new Piscina({
      filename: new URL('./render-worker.mjs', import.meta.url).href,
      minThreads: 0,
      maxThreads: limits.workers,
      maxQueue: limits.waiting,
      idleTimeout: MINUTE_MS,
      resourceLimits: MEMORY,
      execArgv: [],
    });
  }

  /** The answer to a request; null when there is no room for it now. */
  async ask(text: string): Promise<RenderAnswer | null> {
    if (this.pool.queueSize >= this.limits.waiting) return null;
    const late = AbortSignal.timeout(this.limits.patience);
    try {
      return await this.pool.run(text, { signal: late });
    } catch (error) {
      if (late.aborted)
        return problem(
          504,
          'It took too long',
          `No figure within ${this.limits.patience / 1000} seconds. Ask for a smaller one, or later.`,
        );
      console.error(error);
      return problem(500, 'A fault of the server', 'The figure could not be made. Look at the log of the server.');
    }
  }

  /** Ends all workers. */
  close(): Promise<void> {
    return this.pool.destroy();
  }
}
