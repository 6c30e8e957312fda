import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { problem, type RenderAnswer } from './ask';

/** How much is made at once, and for how long. */
export interface PoolLimits {
  readonly workers: number;
  /** Questions that wait beside those that are being answered. */
  readonly waiting: number;
  /** Milliseconds that one figure may take. */
  readonly patience: number;
}

const USUAL: PoolLimits = { workers: Math.max(1, availableParallelism() - 1), waiting: 8, patience: 20_000 };
// Memory of a worker, so that one large question ends that worker alone.
const MEMORY = { maxOldGenerationSizeMb: 1_024 };

interface Question {
  readonly id: number;
  readonly text: string;
  readonly answer: (answer: RenderAnswer) => void;
}

// By hand: piscina (5.3.2 was tried) left questions without an answer when a worker was ended while it was starting.
/** Workers that make figures, so many at once; a question that finds no room is refused, and one that takes too long ends its worker. */
export class RenderPool {
  private readonly idle: Worker[] = [];
  private readonly all = new Set<Worker>();
  private readonly queue: Question[] = [];
  private count = 0;

  constructor(private readonly limits: PoolLimits = USUAL) {}

  /** Makes the answer to a request; null when there is no room for it now. */
  ask(text: string): Promise<RenderAnswer> | null {
    if (this.queue.length >= this.limits.waiting) return null;
    return new Promise(answer => {
      this.queue.push({ id: ++this.count, text, answer });
      this.next();
    });
  }

  async close(): Promise<void> {
    await Promise.all([...this.all].map(worker => worker.terminate()));
  }

  private next(): void {
    const [question] = this.queue;
    const worker = question && (this.idle.pop() ?? (this.all.size < this.limits.workers ? this.start() : undefined));
    if (!question || !worker) return;
    this.queue.shift();
    this.answer(worker, question);
  }

  private answer(worker: Worker, { id, text, answer }: Question): void {
    const give = (found: RenderAnswer, isBroken: boolean): void => {
      clearTimeout(impatient);
      worker.off('message', onMessage).off('error', onError);
      if (isBroken) {
        this.all.delete(worker);
        void worker.terminate();
      } else this.idle.push(worker);
      answer(found);
      this.next();
    };
    const onMessage = (message: { readonly id: number; readonly answer: RenderAnswer }): void => {
      if (message.id === id) give(message.answer, false);
    };
    const onError = (error: unknown): void => {
      console.error(error);
      give(problem(500, 'A fault of the server', 'The figure could not be made. Look at the log of the server.'), true);
    };
    const impatient = setTimeout(
      () => give(problem(504, 'It took too long', 'The figure could not be made in time. Ask for a smaller one.'), true),
      this.limits.patience,
    );
    worker.on('message', onMessage).on('error', onError);
    worker.postMessage({ id, text });
  }

  private start(): Worker {
    const worker = new Worker(new URL('./render-worker.mjs', import.meta.url), { resourceLimits: MEMORY, execArgv: [] });
    // A server that stops does not wait for those that wait.
    worker.unref();
    this.all.add(worker);
    return worker;
  }
}
