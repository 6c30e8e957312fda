import { afterNextRender, inject, Injectable, Injector, signal } from '@angular/core';
import { filter, take } from 'rxjs';
import { PictureStore } from './picture-store';
import { ProjectStore } from './project-store';

// A first figure that takes longer than this is one to wait for with the brief and the ledger in view, in milliseconds.
const PATIENCE_MS = 1500;

/** The order in which the page comes up: the figure first, then the brief, then the ledger. Each is asked for when the one before it stands. */
@Injectable({ providedIn: 'root' })
export class Opening {
  private readonly injector = inject(Injector);
  private readonly seen = signal({ shell: false, figure: false, brief: false });

  /** The bar is there: the stage may come, in a task of its own. */
  readonly mayStage = (): boolean => this.seen().shell;
  /** The figure is on the screen, or there is none: the brief may come. */
  readonly mayBrief = (): boolean => this.seen().figure;
  /** The brief is on the screen: the ledger may come, and what is loaded ahead of its use. */
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

  /** The brief has been laid out. */
  briefSeen(): void {
    this.afterFrame(() => this.seen.set({ shell: true, figure: true, brief: true }));
  }

  private figureSeen(): void {
    if (!this.seen().figure) this.afterFrame(() => this.seen.update(seen => ({ ...seen, figure: true })));
  }

  /** Acts once what is due has been painted. A page that is not seen has no frames: there a timer does it. */
  private afterFrame(act: () => void): void {
    const paint = new Promise<void>(done =>
      afterNextRender(() => requestAnimationFrame(() => setTimeout(done)), { injector: this.injector }),
    );
    const wait = new Promise<void>(done => setTimeout(done, 200));
    void Promise.race([paint, wait]).then(act);
  }
}
