import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { Mend } from 'core/document';
import type { TableOutline } from 'core/intake';
import type { SourceLook } from 'core/io';
import type { Result } from 'core/result';
import type { Intake } from 'core/table';
import type { EngineApi, Received } from 'engine';
import { lastValueFrom, Observable, takeUntil, type Subject } from 'rxjs';
import type { NamedFile } from '../project/named-file';
import type { FileReading, Seen } from './reader.worker';
import { startWorker } from '../project/early';

// The share of taking a table in that moving it takes; the rest is looking at what each column holds.
const READING = 0.94;

/** Files that are being read in a worker of their own. Ending it, at any moment, leaves nothing behind. */
export class SourceReading {
  private readonly worker = startWorker('reader');
  private readonly reader: Remote<FileReading> = wrap<FileReading>(this.worker);

  /**
   * @param cancelled ends the reading wherever it is; null is what came of it then
   * @param onProgress told the share that is done, and null once nothing is under way
   */
  constructor(
    private readonly engine: Remote<EngineApi>,
    private readonly cancelled: Subject<void>,
    private readonly onProgress: (share: number | null) => void,
  ) {}

  open(files: readonly NamedFile[], intake: Intake): Promise<Result<Seen> | null> {
    return this.cancellable<Result<Seen>>(async () => this.reader.open([...files], intake, this.progress(0, READING)));
  }

  again(intake: Intake): Promise<Result<Seen> | null> {
    return this.cancellable<Result<Seen>>(async () => this.reader.read(intake, this.progress(0, 1)));
  }

  outline(mends: readonly Mend[]): Promise<TableOutline> {
    return this.reader.outline(mends);
  }

  lookAtTable(at: number): Promise<SourceLook> {
    return this.reader.lookAtTable(at);
  }

  /** Sends the read source to the engine, under an id when it is a table. */
  give(id: string, at = 0, name = ''): Promise<Received | null> {
    return this.cancellable(async () => {
      const { port1, port2 } = new MessageChannel();
      await this.reader.give(transfer(port1, [port1]), at, name);
      return this.engine.receive(id, transfer(port2, [port2]), this.progress(READING, 1));
    });
  }

  end(): void {
    this.worker.terminate();
  }

  /** Ignores progress that a worker reports after its work has ended or was cancelled. */
  private progress(from: number, to: number): (share: number) => void {
    const work = ++this.work;
    return proxy((share: number) => {
      if (work === this.work && this.isWorking) this.onProgress(from + share * (to - from));
    });
  }

  private work = 0;
  private isWorking = false;

  private async cancellable<T>(work: () => Promise<T>): Promise<T | null> {
    this.isWorking = true;
    const steps = new Observable<T>(subscriber => {
      work()
        .then(value => {
          subscriber.next(value);
          subscriber.complete();
        })
        .catch((error: unknown) => subscriber.error(error));
    });
    return lastValueFrom(steps.pipe(takeUntil(this.cancelled)), { defaultValue: null }).finally(() => {
      this.isWorking = false;
      this.onProgress(null);
    });
  }
}
