import { Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import type { LookedSource } from './looked-source';

/** The project that shows Cowbell; a table of one's own starts another. */
export const SAMPLE_ID = 'highmeadow';

/** A running import, as the screen shows it. */
export interface Running {
  readonly name: string;
  readonly share: number;
}

/** What is on its way into the project. */
@Injectable({ providedIn: 'root' })
export class Incoming {
  readonly running = signal<Running | null>(null);
  /** What was read and waits to be looked at and taken. */
  readonly looked = signal<LookedSource | null>(null);
  /** Ends what is being read. */
  readonly cancelled = new Subject<void>();

  cancel(): void {
    this.cancelled.next();
  }
}
