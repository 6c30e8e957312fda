import { inject, Injectable } from '@angular/core';
import type { CueWords } from 'core/cue';
import type { DragTarget } from 'core/plan';
import { ProjectStore } from './project-store';

const NO_WORDS: CueWords = { category: '', measures: [], scopes: [], along: { column: '', descending: false } };

/** A line or band edge being dragged on the stage: its cue's number follows live, and the whole drag is one step of undo. */
@Injectable({ providedIn: 'root' })
export class LineDrag {
  private readonly store = inject(ProjectStore);
  private key = '';

  start(): void {
    this.key = crypto.randomUUID();
  }

  /** Sets the number behind a line. The kinds of cues come with the brief, which has them already. */
  async moveTo(target: DragTarget, value: number): Promise<void> {
    const { kindOf } = await import('./figure-making');
    const { figure } = this.store;
    if (!figure || this.key === '') return;
    const cues = figure.cues.map(cue => (cue.id === target.cue ? kindOf(cue).change(cue, target.token, String(value), NO_WORDS) : cue));
    this.store.apply({ kind: 'change-figure', figure: figure.id, change: { cues } }, this.key);
  }
}
