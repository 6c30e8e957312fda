import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Icon } from '../ui/icon';
import { TickList, type TickItem } from '../ui/tick-list';

/** Number columns to be shown beside each other: several ticked at once become several series. */
@Component({
  selector: 'cb-column-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, TickList],
  host: { class: 'block min-w-56' },
  template: `
    <p class="sheet-head">Show these too, each as a series</p>
    <cb-tick-list [items]="ticks()" label="Columns" what="columns" (toggled)="toggle($event)" />
    <button type="button" class="row mt-1 border-t border-hair" (click)="wrote.emit()"><cb-icon name="sigma" />by a formula…</button>
    <div class="flex justify-end p-1">
      <button type="button" class="act act-loud" [disabled]="chosen().length === 0" (click)="picked.emit(chosen())">Show them</button>
    </div>
  `,
})
export class ColumnPicker {
  readonly columns = input.required<readonly string[]>();
  readonly picked = output<readonly string[]>();
  readonly wrote = output();
  protected readonly chosen = signal<readonly string[]>([]);
  protected readonly ticks = computed(() =>
    this.columns().map((column): TickItem => ({ key: column, words: column, ticked: this.chosen().includes(column) })),
  );

  protected toggle(column: string): void {
    this.chosen.update(list => (list.includes(column) ? list.filter(other => other !== column) : [...list, column]));
  }
}
