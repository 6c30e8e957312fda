import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { ListKeys } from './list-keys';

/** One thing that can be ticked. */
export interface TickItem<Key = string> {
  readonly key: Key;
  readonly words: string;
  /** What stands at its end, such as a count. */
  readonly beside?: string;
  readonly ticked: boolean;
}

// More than this get a box to search them by.
const SEARCH_FROM = 8;
// Listed at once; a longer list is narrowed by its search box.
const LISTED = 200;

/** A list of which several may be ticked, found by typing when it is long; what is put inside stands between field and list. */
@Component({
  selector: 'cb-tick-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ListKeys, NgTemplateOutlet],
  host: { class: 'block' },
  template: `
    @if (items().length > searchFrom) {
      <input
        class="field mb-1"
        type="search"
        placeholder="Search…"
        [attr.aria-label]="'Search ' + what()"
        (input)="query.set($any($event.target).value)"
        [cbListKeys]="list"
      />
      <ng-container [ngTemplateOutlet]="between" />
      <div #list role="listbox" aria-multiselectable="true" [attr.aria-label]="label()">
        <ng-container [ngTemplateOutlet]="ticks" />
      </div>
      @if (listed().length === 0) {
        <p class="sheet-head">Nothing here is called that.</p>
      }
    } @else {
      <ng-container [ngTemplateOutlet]="between" />
      <div role="listbox" aria-multiselectable="true" cbListKeys [attr.aria-label]="label()">
        <ng-container [ngTemplateOutlet]="ticks" />
      </div>
    }
    <ng-template #between><ng-content /></ng-template>
    <ng-template #ticks>
      @for (item of listed(); track item.key) {
        <button type="button" role="option" class="row" [attr.aria-selected]="item.ticked" (click)="toggled.emit(item.key)">
          <span class="grid size-4 shrink-0 place-items-center rounded-xs border border-edge text-[0.6875rem]" aria-hidden="true">{{
            item.ticked ? '✓' : ''
          }}</span>
          <span class="grow">{{ item.words }}</span>
          @if (item.beside) {
            <span class="text-small text-soft tabular-nums">{{ item.beside }}</span>
          }
        </button>
      }
    </ng-template>
  `,
})
export class TickList<Key = string> {
  readonly items = input.required<readonly TickItem<Key>[]>();
  readonly label = input.required<string>();
  /** What is searched: "values", "columns". */
  readonly what = input.required<string>();
  readonly toggled = output<Key>();

  protected readonly searchFrom = SEARCH_FROM;
  protected readonly query = signal('');
  protected readonly listed = computed(() => {
    const words = this.query().trim().toLowerCase();
    return this.items()
      .filter(item => item.words.toLowerCase().includes(words))
      .slice(0, LISTED);
  });
}
