import { Injectable, signal } from '@angular/core';
import type { DroppedLabel } from 'plot';

/** Words that the figure on the stage has no room for, as it was last laid out. */
@Injectable({ providedIn: 'root' })
export class DroppedLabels {
  readonly now = signal<readonly DroppedLabel[]>([]);
}
