import { inject, Injectable, Injector, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';
import { PictureStore } from '../services/engine/picture-store';
import type { HandingTask } from './handing-task';

/** Hands the figure, its numbers, its words or the whole project over. What does it comes when the first thing is asked for. */
@Injectable({ providedIn: 'root' })
export class Handover {
  private readonly injector = inject(Injector);

  /** The crosstab as it stands is there to be offered. */
  readonly isTable = toSignal(inject(PictureStore).shown$.pipe(map(({ picture }) => picture?.plans.at(-1)?.kind === 'table')), {
    initialValue: false,
  });

  /** The pages of the report lie over the screen. */
  readonly pagesShown = signal(false);

  async run(task: HandingTask): Promise<void> {
    const { Handing } = await import('./handing');
    await this.injector.get(Handing).run(task);
  }

  project(): Promise<void> {
    return this.run({ kind: 'project' });
  }
}
