import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { Icon } from '../ui/icon';

/** Number columns to be shown beside each other: several ticked at once become several series. */
@Component({
  selector: 'cb-column-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'block min-w-56' },
  template: `
    <p class="sheet-head">Show these too, each as a series</p>
    <div role="group" aria-label="Columns">
      @for (column of columns(); track column) {
        <button type="button" role="checkbox" class="row" [attr.aria-checked]="chosen().includes(column)" (click)="toggle(column)">
          <span class="grid size-4 place-items-center rounded-xs border border-edge text-[11px]" aria-hidden="true">{{
            chosen().includes(column) ? '✓' : ''
          }}</span>
          {{ column }}
        </button>
      }
    </div>
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

  protected toggle(column: string): void {
    this.chosen.update(list => (list.includes(column) ? list.filter(other => other !== column) : [...list, column]));
  }
}
