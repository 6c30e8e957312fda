import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { Filter } from 'core/frame';
import type { Figure } from 'core/project';
import type { Cell } from 'core/table';
import { EngineClient } from '../services/engine-client';
import type { ValueCount } from '../services/engine-api';
import { ProjectStore } from '../services/project-store';

// Values listed at once; a longer list is narrowed by its search box.
const LISTED = 200;

/** What a filter keeps: ticked values with their counts, or a first and a last value. Changes show at once. */
@Component({
  selector: 'cb-filter-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block min-w-56' },
  template: `
    <p class="sheet-head">Keep rows by {{ filter().column }}</p>
    @let now = filter();
    @if (now.kind === 'values') {
      @if (counts().length > 8) {
        <input
          class="field mb-1"
          type="search"
          aria-label="Search values"
          placeholder="Search…"
          (input)="query.set($any($event.target).value)"
        />
      }
      <div class="flex gap-1 px-1 pb-1">
        <button type="button" class="act text-small" (click)="keep(allValues())">All</button>
        <button type="button" class="act text-small" (click)="keep([])">None</button>
      </div>
      <div role="group" [attr.aria-label]="now.column">
        @for (item of listed(); track item.value) {
          <button type="button" role="checkbox" class="row" [attr.aria-checked]="isKept(item.value)" (click)="toggle(item.value)">
            <span class="grid size-4 place-items-center rounded-xs border border-edge text-[11px]" aria-hidden="true">{{
              isKept(item.value) ? '✓' : ''
            }}</span>
            <span class="grow">{{ item.value ?? '(missing)' }}</span>
            <span class="text-small text-soft tabular-nums">{{ item.count.toLocaleString('en') }}</span>
          </button>
        }
      </div>
    } @else {
      <div class="grid grid-cols-[auto_1fr] items-center gap-2 p-2">
        <label [for]="'low-' + now.column">From</label>
        <select class="field" [id]="'low-' + now.column" data-first (change)="bound('low', $any($event.target).value)">
          <option value="" [selected]="now.low === null">the first</option>
          @for (item of stops(); track item.value) {
            <option [value]="item.value" [selected]="same(now.low, item.value)">{{ item.value }}</option>
          }
        </select>
        <label [for]="'high-' + now.column">to</label>
        <select class="field" [id]="'high-' + now.column" (change)="bound('high', $any($event.target).value)">
          <option value="" [selected]="now.high === null">the last</option>
          @for (item of stops(); track item.value) {
            <option [value]="item.value" [selected]="same(now.high, item.value)">{{ item.value }}</option>
          }
        </select>
      </div>
    }
  `,
})
export class FilterEditor {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  readonly filter = input.required<Filter>();
  readonly figure = input.required<Figure>();
  readonly changed = output<Filter>();

  protected readonly counts = signal<readonly ValueCount[]>([]);
  protected readonly query = signal('');
  protected readonly listed = computed(() => {
    const words = this.query().toLowerCase();
    return this.counts()
      .filter(({ value }) => (value ?? '(missing)').toLowerCase().includes(words))
      .slice(0, LISTED);
  });
  protected readonly stops = computed(() => thinned(this.counts().filter(({ value }) => value !== null)));
  protected readonly allValues = computed(() => this.counts().map(({ value }) => value));
  private readonly column = computed(() => this.filter().column);

  constructor() {
    effect(() => void this.load(this.figure().data.table, this.column()));
  }

  protected isKept(value: string | null): boolean {
    const filter = this.filter();
    return filter.kind === 'values' && filter.keep.includes(value);
  }

  protected toggle(value: string | null): void {
    const filter = this.filter();
    if (filter.kind !== 'values') return;
    // Kept values stand in the order of the list, whatever the order of the ticks.
    const wanted = new Set(filter.keep);
    if (!wanted.delete(value)) wanted.add(value);
    this.keep(this.allValues().filter(item => wanted.has(item)));
  }

  protected keep(keep: (string | null)[]): void {
    this.changed.emit({ kind: 'values', column: this.column(), keep });
  }

  protected bound(side: 'low' | 'high', text: string): void {
    const filter = this.filter();
    if (filter.kind === 'range')
      this.changed.emit({ ...filter, [side]: text === '' ? null : Number.isNaN(Number(text)) ? text : Number(text) });
  }

  protected same(bound: Cell, value: string | null): boolean {
    return bound !== null && String(bound) === value;
  }

  private async load(table: string, column: string): Promise<void> {
    this.counts.set(await this.engine.api.valueCounts(table, this.store.tableDoc(table)?.edits ?? [], column));
  }
}

/** Every value of a short list; evenly taken ones of a long list, first and last among them. */
function thinned(counts: readonly ValueCount[]): readonly ValueCount[] {
  if (counts.length <= LISTED) return counts;
  return Array.from({ length: LISTED }, (_, i) => counts[Math.round((i * (counts.length - 1)) / (LISTED - 1))] as ValueCount);
}
