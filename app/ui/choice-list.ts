import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Option } from 'core/sentence';
import { Icon } from './icon';
import { ListKeys } from './list-keys';
import { Swatch } from './swatch';

// More choices than this get a box to search them by.
const SEARCH_FROM = 8;

/** A list of choices with the present one ticked, and a search box when it is long. */
@Component({
  selector: 'cb-choice-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon, ListKeys, NgTemplateOutlet, Swatch],
  template: `
    @if (options().length > searchFrom) {
      <input
        class="field mb-1"
        type="search"
        aria-label="Search"
        placeholder="Search…"
        (input)="query.set($any($event.target).value)"
        [cbListKeys]="list"
      />
      <div #list role="listbox" [attr.aria-label]="label()"><ng-container [ngTemplateOutlet]="choices" /></div>
    } @else {
      <div role="listbox" cbListKeys [attr.aria-label]="label()"><ng-container [ngTemplateOutlet]="choices" /></div>
    }
    <ng-template #choices>
      @for (option of found(); track option.value) {
        <button type="button" class="row" role="option" [attr.aria-selected]="isTicked(option)" (click)="chosen.emit(option.value)">
          @if (option.colour) {
            <cb-swatch [colour]="option.colour" />
          }
          <span class="grow">{{ option.label }}</span>
          @if (isTicked(option)) {
            <cb-icon name="check" />
          }
        </button>
      }
    </ng-template>
    @if (found().length === 0) {
      <p class="sheet-head">Nothing is called that.</p>
    }
  `,
})
export class ChoiceList {
  readonly options = input.required<readonly Option[]>();
  readonly value = input<string>();
  readonly label = input('');
  readonly chosen = output<string>();
  protected readonly query = signal('');
  protected readonly searchFrom = SEARCH_FROM;
  protected readonly found = computed(() => {
    const words = this.query().trim().toLowerCase();
    return this.options().filter(option => option.label.toLowerCase().includes(words));
  });

  protected isTicked({ value, ticked = false }: Option): boolean {
    return ticked || value === this.value();
  }
}
