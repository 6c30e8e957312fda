import { Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import type { ChangedFigure } from 'engine';
import type { LookedSource } from './looked-source';

/** The project that shows Cowbell; a table of one's own starts another. */
export const SAMPLE_ID = 'highmeadow';

/** A running import, as the screen shows it. */
export interface Running {
  readonly name: string;
  readonly share: number;
}

/** A table that has its next source, and what the cues of its figures find since. */
export interface ChangedSource {
  readonly table: string;
  readonly figures: readonly ChangedFigure[];
  /** Edits of cells that have no place any more. */
  readonly lost: number;
}

/** Sources on their way into the project. */
@Injectable({ providedIn: 'root' })
export class Incoming {
  readonly running = signal<Running | null>(null);
  /** The source under review. */
  readonly looked = signal<LookedSource | null>(null);
  /** Changes in findings since a table got its next source. */
  readonly changed = signal<ChangedSource | null>(null);
  /** The tables of the project lie over the screen. */
  readonly tablesShown = signal(false);
  /** Ends what is being read. */
  readonly cancelled = new Subject<void>();

  cancel(): void {
    this.cancelled.next();
  }
}
