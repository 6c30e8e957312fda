import { DestroyRef, inject, Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { News } from 'engine';
import { Subject } from 'rxjs';
import { takeEngineWorker } from '../project/early';
import type { HandingApi } from './handing-engine';

/** The way to the engine's worker. */
@Injectable({ providedIn: 'root' })
export class EngineClient {
  private readonly worker = takeEngineWorker();
  readonly api: Remote<HandingApi> = wrap<HandingApi>(this.worker);
  readonly news$ = new Subject<News>();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker.terminate());
    void this.api.listen(proxy(news => this.news$.next(news)));
  }
}
