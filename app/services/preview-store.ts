import { inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Cue } from 'core/cue';
import type { Plan } from 'core/plan';
import type { Figure } from 'core/project';
import { EngineClient } from './engine-client';
import { askOf, PictureStore } from './picture-store';
import { ProjectStore } from './project-store';
import { Theme } from './theme';

/** Plans beside the one on the stage: of a cue that could be added, of another figure. */
@Injectable({ providedIn: 'root' })
export class PreviewStore {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly theme = inject(Theme);
  private readonly shown = toSignal(inject(PictureStore).shown$);

  /** The figure on the stage with one cue alone; null when it cannot be drawn. */
  async previewOf(cue: Cue): Promise<Plan | null> {
    const ask = this.shown()?.ask;
    return ask ? this.planOf({ ...ask.figure, cues: [{ ...cue, id: 'preview' }], view: 'cued' }) : null;
  }

  /** A figure of the project as its view has it; null when it cannot be drawn. */
  async planOf(figure: Figure): Promise<Plan | null> {
    const project = this.store.snapshot?.history.project;
    const ask = project && askOf(project, figure);
    const plan = ask && (await this.engine.api.preview({ ...ask, livery: this.theme.livery() }));
    return plan?.ok ? plan.value : null;
  }
}
