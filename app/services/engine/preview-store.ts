import { inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Plan } from 'core/plan';
import type { Figure } from 'core/document';
import { EngineClient } from './engine-client';
import { PictureStore } from './picture-store';
import { Theme } from '../telling/theme';

/** Plans beside the one on the stage: of a cue that could be added, of another figure. */
@Injectable({ providedIn: 'root' })
export class PreviewStore {
  private readonly engine = inject(EngineClient);
  private readonly theme = inject(Theme);
  /** The plan of a considered choice for the figure on the stage; null while none is considered. */
  readonly onStage = signal<{ readonly plan: Plan; readonly words: string } | null>(null);
  private readonly shown = toSignal(inject(PictureStore).shown$);

  /** The figure on the stage otherwise; null when it cannot be drawn. */
  async previewOf(change: (figure: Figure) => Partial<Figure>): Promise<Plan | null> {
    const figure = this.shown()?.ask.figure;
    return figure ? this.planOf({ ...figure, ...change(figure), view: 'cued' }) : null;
  }

  /** A figure of the project as its view has it; null when it cannot be drawn. */
  async planOf(figure: Figure): Promise<Plan | null> {
    const plan = await this.engine.api.preview(figure, this.theme.livery());
    return plan.ok ? plan.value : null;
  }
}
