import { Injectable } from '@angular/core';
import type { ImportedTable } from 'core/io';
import type { Result } from 'core/result';
import { proxy, wrap, type Remote } from 'comlink';
import { Observable } from 'rxjs';
import type { EngineApi } from './engine-api';

/** What an import says while it runs and when it is done. */
export type ImportStep =
  { readonly kind: 'progress'; readonly share: number } | { readonly kind: 'done'; readonly result: Result<ImportedTable> };

const startWorker = (): Worker => new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' });

/** The way to the engine worker. */
@Injectable({ providedIn: 'root' })
export class EngineClient {
  readonly api: Remote<EngineApi> = wrap<EngineApi>(startWorker());

  /** Parses a file in a worker of its own; unsubscribing ends that worker at once, wherever it is. */
  import(file: Blob, name: string): Observable<ImportStep> {
    return new Observable(subscriber => {
      const worker = startWorker();
      const onProgress = proxy((share: number) => subscriber.next({ kind: 'progress', share }));
      wrap<EngineApi>(worker)
        .readTable(file, name, onProgress)
        .then(result => {
          subscriber.next({ kind: 'done', result });
          subscriber.complete();
        })
        .catch((error: unknown) => subscriber.error(error));
      return () => worker.terminate();
    });
  }
}
