import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { EngineApi, News } from 'engine';
import { Subject } from 'rxjs';

/** The way to the engine's worker. */
@Injectable({ providedIn: 'root' })
export class EngineClient {
  readonly api: Remote<EngineApi> = wrap<EngineApi>(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' }));
  readonly news$ = new Subject<News>();

  constructor() {
    void this.api.listen(proxy(news => this.news$.next(news)));
  }
}
