import { inject, Injectable } from '@angular/core';
import type { Figure } from 'core/document';
import type { BreakEdge, DragTarget } from 'core/plan';
import type * as making from './figure-making';
import { ProjectStore } from '../project/project-store';

/** A line, a band edge or a break being dragged on the stage: its number follows live, and the whole drag is one step of undo. */
@Injectable({ providedIn: 'root' })
export class LineDrag {
  private readonly store = inject(ProjectStore);
  private key = '';
  private made: Making | null = null;
  /** The last move that came before what changes figures was there. */
  private waiting: (() => void) | null = null;

  start(): void {
    this.key = crypto.randomUUID();
    this.waiting = null;
    // Loaded once, and moves are made at once from then on: a move that waited its turn behind the pointer's events could come after an undo.
    if (!this.made) void import('./figure-making').then(made => this.came(made));
  }

  /** Sets the number behind a line, or an end of a break. */
  moveTo(target: DragTarget | BreakEdge, value: number): void {
    const { made } = this;
    if (made) this.change(made, target, value);
    else this.waiting = () => this.moveTo(target, value);
  }

  private came(made: Making): void {
    this.made = made;
    this.waiting?.();
    this.waiting = null;
  }

  private change(made: Making, target: DragTarget | BreakEdge, value: number): void {
    const { figure } = this.store;
    if (!figure || this.key === '') return;
    const change = 'cue' in target ? cuesAfter(made, figure, target, value) : scalesAfter(made, figure, target, value);
    this.store.apply({ kind: 'change-figure', figure: figure.id, change }, this.key);
  }
}

type Making = typeof making;

const cuesAfter = ({ kindOf, cueFactsOf }: Making, { cues }: Figure, target: DragTarget, value: number): Pick<Figure, 'cues'> => ({
  cues: cues.map(cue => (cue.id === target.cue ? kindOf(cue).change(cue, target.token, String(value), cueFactsOf({ measures: [] })) : cue)),
});

const scalesAfter = (
  { movedBreak, withAxis }: Making,
  { scales }: Figure,
  { axis, nth, end }: BreakEdge,
  value: number,
): Pick<Figure, 'scales'> => ({
  scales: withAxis(scales, axis, { breaks: [...movedBreak(scales.axes[axis].breaks, nth, end, value)] }),
});
