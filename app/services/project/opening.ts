import { afterNextRender, inject, Injectable, Injector, signal } from '@angular/core';
import { filter, take } from 'rxjs';
import { PictureStore } from '../engine/picture-store';
import { ProjectStore } from './project-store';

// After this time the brief and the ledger load even if the first figure is not drawn yet, in milliseconds.
const PATIENCE_MS = 1500;

/** Loads the page's parts in order: stage, figure, brief, ledger. Each part loads after the one before it has been painted. */
@Injectable({ providedIn: 'root' })
export class Opening {
  private readonly injector = inject(Injector);
  private readonly seen = signal({ shell: false, figure: false, brief: false });

  /** Whether the stage may be created: the bar exists. The stage gets a task of its own. */
  readonly mayStage = (): boolean => this.seen().shell;
  /** Whether the brief may load: the figure is painted, or there is none. */
  readonly mayBrief = (): boolean => this.seen().figure;
  /** Whether the ledger may load: the brief is painted. */
  readonly mayLedger = (): boolean => this.seen().brief;

  constructor() {
    setTimeout(() => this.seen.update(seen => ({ ...seen, shell: true })));
    const figureSeen = (): void => this.figureSeen();
    inject(PictureStore).shown$.pipe(take(1)).subscribe(figureSeen);
    inject(ProjectStore)
      .open$.pipe(
        filter(({ figure }) => figure === null),
        take(1),
      )
      .subscribe(figureSeen);
    setTimeout(figureSeen, PATIENCE_MS);
  }

  /** Called once the brief exists. */
  briefSeen(): void {
    this.afterFrame(() => this.seen.set({ shell: true, figure: true, brief: true }));
  }

  private figureSeen(): void {
    if (!this.seen().figure) this.afterFrame(() => this.seen.update(seen => ({ ...seen, figure: true })));
  }

  /** Runs after the next paint. A hidden page paints no frames, so a timer runs it there. */
  private afterFrame(act: () => void): void {
    const paint = new Promise<void>(done =>
      afterNextRender(() => requestAnimationFrame(() => setTimeout(done)), { injector: this.injector }),
    );
    const wait = new Promise<void>(done => setTimeout(done, 200));
    void Promise.race([paint, wait]).then(act);
  }
}
