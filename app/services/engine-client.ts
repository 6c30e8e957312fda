import { Injectable } from '@angular/core';
import { success, type Result } from 'core/result';
import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { EngineApi, News, OpenedProject, ReadFile, SourceInfo } from 'engine';
import { Observable, Subject } from 'rxjs';
import type { FileReading } from './reader.worker';

/** A file that was read, and what came of it in the engine. */
export type Arrived =
  | { readonly kind: 'table'; readonly file: Extract<ReadFile, { kind: 'table' }>; readonly info: SourceInfo }
  | { readonly kind: 'project'; readonly opened: OpenedProject };

/** What an import says while it runs and when it is done. */
export type ImportStep =
  { readonly kind: 'progress'; readonly share: number } | { readonly kind: 'done'; readonly result: Result<Arrived> };

// The share of an import that reading takes.
const READING = 0.94;

/** The way to the engine's worker. */
@Injectable({ providedIn: 'root' })
export class EngineClient {
  readonly api: Remote<EngineApi> = wrap<EngineApi>(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' }));
  readonly news$ = new Subject<News>();

  constructor() {
    void this.api.listen(proxy(news => this.news$.next(news)));
  }

  /** Reads a file in a worker of its own, from where its table goes to the engine; unsubscribing ends that worker at once, wherever it is. */
  import(file: Blob, name: string, id: string): Observable<ImportStep> {
    return new Observable(subscriber => {
      const worker = new Worker(new URL('./reader.worker', import.meta.url), { type: 'module' });
      const { port1, port2 } = new MessageChannel();
      // Most of the time goes into reading; then the engine looks at what each column holds.
      const progress = (from: number, to: number) =>
        proxy((share: number) => subscriber.next({ kind: 'progress', share: from + share * (to - from) }));
      const read = async (): Promise<Result<Arrived>> => {
        const result = await wrap<FileReading>(worker).read(file, name, transfer(port1, [port1]), progress(0, READING));
        if (!result.ok) return result;
        const received = await this.api.receive(id, transfer(port2, [port2]), progress(READING, 1));
        if (received.kind === 'project') return success(received);
        // What the engine received is what the reader sent.
        return success({ kind: 'table', file: result.value as Extract<ReadFile, { kind: 'table' }>, info: received.info });
      };
      read()
        .then(result => {
          subscriber.next({ kind: 'done', result });
          subscriber.complete();
        })
        .catch((error: unknown) => subscriber.error(error))
        .finally(() => worker.terminate());
      return () => worker.terminate();
    });
  }
}
