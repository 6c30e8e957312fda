import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { FirstFigures } from 'core/brief';
import type { Figure } from 'core/document';
import { Pace } from '../engine/pace';
import { ProjectStore } from '../project/project-store';

/** Why a figure that was just made is as it is, and what to begin with instead; until it is put away. */
@Injectable({ providedIn: 'root' })
export class FirstOffers {
  private readonly store = inject(ProjectStore);
  private readonly made = signal<FirstFigures | null>(null);
  private readonly figure = inject(Pace).calmly(toSignal(this.store.figure$, { initialValue: null }), 'words');

  /** Those of the figure on the stage. */
  readonly shown = computed(() => {
    const made = this.made();
    return made && made.figure.id === this.figure()?.id && made.reasons.length + made.others.length > 0 ? made : null;
  });

  offer(made: FirstFigures): void {
    this.made.set(made);
  }

  putAway(): void {
    this.made.set(null);
  }

  /** The figure becomes the other one; the one it was is offered in its place. */
  take(other: Figure): void {
    const [made, now] = [this.made(), this.store.figure];
    if (!made || !now) return;
    const { id: _id, ...change } = other;
    this.store.changeFigure(change);
    this.made.set({ ...made, reasons: [], others: made.others.map(item => (item.id === other.id ? { ...now, id: other.id } : item)) });
  }
}
