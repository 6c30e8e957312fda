import { inject, Injectable } from '@angular/core';
import type { Picture, Plan } from 'core/plan';
import type * as making from './figure-making';
import { layersOf } from './layers-of';
import { ProjectStore } from '../project/project-store';

/** Where a label is moved to: its middle so far from its mark's end, in CSS pixels. */
export interface MovedLabel {
  readonly row: number;
  /** Its place among the layers of the plan. */
  readonly layer: number;
  readonly across: number;
  readonly down: number;
}

/** Labels that are put somewhere by hand. They are kept as distances from their marks, so that they move with the data; one drag is one step of undo. */
@Injectable({ providedIn: 'root' })
export class LabelPins {
  private readonly store = inject(ProjectStore);
  private key = '';
  private made: typeof making | null = null;
  /** The last move that came before what changes figures was there. */
  private waiting: (() => void) | null = null;

  start(): void {
    this.key = crypto.randomUUID();
    this.waiting = null;
    if (!this.made) void this.load();
  }

  /** The same as moving it there, once what is needed for it has come. */
  async put(moved: MovedLabel, picture: Picture, plan: Plan): Promise<void> {
    if (!this.made) await this.load();
    this.moveTo(moved, picture, plan);
  }

  moveTo(moved: MovedLabel, picture: Picture, plan: Plan): void {
    const { figure } = this.store;
    const layer = layersOf(plan)[moved.layer];
    // A drag may be over before what it needs has come: where it ended counts.
    if (!this.made) this.waiting = () => this.moveTo(moved, picture, plan);
    if (!figure || !layer || !this.made || this.key === '') return;
    const category = this.made.categoryAt(picture.frame, moved.row);
    const pin = {
      category,
      series: figure.data.series === null ? null : layer.name,
      measure: layer.measure,
      across: moved.across,
      down: moved.down,
    };
    const isOther = (item: (typeof figure.labels.pins)[number]): boolean =>
      item.category !== pin.category || item.series !== pin.series || item.measure !== pin.measure;
    const pins = [...figure.labels.pins.filter(isOther), pin].slice(-this.made.MOST_PINS);
    this.store.apply({ kind: 'change-figure', figure: figure.id, change: { labels: { ...figure.labels, pins } } }, this.key);
  }

  private async load(): Promise<void> {
    this.made = await import('./figure-making');
    this.waiting?.();
    this.waiting = null;
  }
}
