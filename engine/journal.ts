import type { Entry, Proposal } from 'core/document/edits';
import type { Storage } from './storage';

/** How long to wait before writing is tried again after it failed, in milliseconds: at first, and at most. */
const RETRY_MS = [1_000, 30_000] as const;

/** Events of a journal. */
export interface JournalEvents {
  /** Entries that stand in the journal now and were not told before, in order; `own`: there are some of this tab among them. */
  readonly written: (entries: readonly Entry[], own: boolean) => void;
  readonly fails: (fails: boolean) => void;
}

/**
 * Writes the moves of a project down, one transaction at a time, all that waits in each; reads what other tabs wrote. What cannot be written stays and
 * is tried again.
 */
export class Journal {
  private readonly waiting: Proposal[] = [];
  private readonly first: (() => Promise<void>)[] = [];
  private running: Promise<void> | null = null;
  private reread = false;
  private closed = false;
  private wait: number = RETRY_MS[0];

  /** @param after the last entry that is known */
  constructor(
    private readonly storage: Storage,
    private readonly project: string,
    private after: number,
    private readonly events: JournalEvents,
  ) {}

  add(proposal: Proposal): void {
    this.waiting.push(proposal);
    this.start();
  }

  /** Something that must be written before any move that follows: the document itself, a table. */
  before(write: () => Promise<void>): void {
    this.first.push(write);
    this.start();
  }

  /** Reads what another tab says it wrote. */
  read(): void {
    this.reread = true;
    this.start();
  }

  /** Writes what waits, as far as storage takes it; nothing is told any more. */
  close(): Promise<void> {
    this.closed = true;
    return this.running ?? Promise.resolve();
  }

  private get hasWork(): boolean {
    return this.first.length + this.waiting.length > 0 || this.reread;
  }

  private start(): void {
    this.running ??= this.run().finally(() => {
      this.running = null;
      // What came between the last look and here.
      if (this.hasWork) this.start();
    });
  }

  private async run(): Promise<void> {
    while (this.hasWork) {
      try {
        for (let write = this.first[0]; write; write = this.first[0]) {
          await write();
          this.first.shift();
        }
        this.reread = false;
        const batch = [...this.waiting];
        const entries = await this.storage.append(this.project, batch, this.after);
        this.waiting.splice(0, batch.length);
        this.after = entries.at(-1)?.key ?? this.after;
        this.wait = RETRY_MS[0];
        if (!this.closed) this.events.written(entries, batch.length > 0);
        this.events.fails(false);
      } catch {
        this.events.fails(true);
        if (this.closed) return;
        await new Promise(resolve => setTimeout(resolve, this.wait));
        this.wait = Math.min(this.wait * 2, RETRY_MS[1]);
      }
    }
  }
}
