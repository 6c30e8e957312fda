import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Filter } from 'core/frame';
import { parseNumber } from 'core/io';
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
    <div class="flex flex-wrap gap-1 px-1 pb-2" role="radiogroup" aria-label="How to choose">
      @for (kind of kinds(); track kind.value) {
        <button
          type="button"
          role="radio"
          class="act text-small"
          [class.font-semibold]="kind.value === kindNow()"
          [attr.aria-checked]="kind.value === kindNow()"
          (click)="setKind(kind.value)"
        >
          {{ kind.label }}
        </button>
      }
    </div>
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
    } @else if (now.kind === 'top') {
      <form class="flex flex-wrap items-center gap-2 p-2" (submit)="$event.preventDefault()">
        <label for="top-n">The</label>
        <input
          id="top-n"
          class="field w-16"
          type="number"
          min="1"
          max="100000"
          [value]="now.n"
          (change)="setTop({ n: +$any($event.target).value })"
        />
        <select class="field w-auto" aria-label="Largest or smallest" (change)="setTop({ end: $any($event.target).value })">
          <option value="largest" [selected]="now.end === 'largest'">largest</option>
          <option value="smallest" [selected]="now.end === 'smallest'">smallest</option>
        </select>
        <label for="top-by">by</label>
        <select id="top-by" class="field w-auto" (change)="setTop({ measure: $any($event.target).value })">
          @for (measure of figure().data.measures; track measure.name) {
            <option [value]="measure.formula" [selected]="measure.formula === now.measure">{{ measure.name }}</option>
          }
        </select>
      </form>
    } @else if (now.kind === 'missing') {
      <p class="px-2 pb-2 text-soft">Rows {{ now.keep === 'missing' ? 'without' : 'with' }} a value of {{ now.column }} are kept.</p>
    } @else if (now.kind === 'range' && isNumber()) {
      <form class="grid grid-cols-[auto_1fr] items-center gap-2 p-2" (submit)="$event.preventDefault()">
        <label [for]="'low-' + now.column">From</label>
        <input
          class="field"
          data-first
          inputmode="decimal"
          placeholder="the least"
          [id]="'low-' + now.column"
          [value]="now.low ?? ''"
          (change)="bound('low', $any($event.target).value)"
        />
        <label [for]="'high-' + now.column">to</label>
        <input
          class="field"
          inputmode="decimal"
          placeholder="the most"
          [id]="'high-' + now.column"
          [value]="now.high ?? ''"
          (change)="bound('high', $any($event.target).value)"
        />
      </form>
    } @else if (now.kind === 'range') {
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

  protected readonly kinds = computed((): readonly { readonly value: FilterKind; readonly label: string }[] => [
    { value: 'values', label: 'values' },
    ...(this.isRanged() ? [{ value: 'range' as const, label: 'a range' }] : []),
    { value: 'top', label: 'top' },
    { value: 'missing', label: 'missing' },
    { value: 'there', label: 'not missing' },
  ]);
  protected readonly kindNow = computed((): FilterKind => {
    const filter = this.filter();
    return filter.kind === 'missing' ? (filter.keep === 'missing' ? 'missing' : 'there') : (filter.kind as FilterKind);
  });
  private readonly type = computed(
    () =>
      this.tables()
        .find(table => table.id === this.figure().data.table)
        ?.columns.find(column => column.name === this.column())?.type,
  );
  private readonly isRanged = computed(() => this.type() !== 'text' && this.type() !== 'boolean');
  protected readonly isNumber = computed(() => this.type() === 'number');
  private readonly tables = toSignal(inject(ProjectStore).tables$, { initialValue: [] });

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
    if (filter.kind === 'range') this.changed.emit({ ...filter, [side]: this.boundOf(text, filter[side]) });
  }

  /** What cannot be read as a number leaves the bound as it is. */
  private boundOf(text: string, before: Cell): Cell {
    if (text.trim() === '') return null;
    if (!this.isNumber()) return text;
    const number = parseNumber(text, 'point');
    return number === number ? number : before;
  }

  /** Another way to choose; it starts with all that can be kept. */
  protected setKind(kind: FilterKind): void {
    if (kind === this.kindNow()) return;
    const column = this.column();
    const [measure] = this.figure().data.measures;
    const fresh: Readonly<Record<FilterKind, Filter>> = {
      values: { kind: 'values', column, keep: this.allValues() },
      range: { kind: 'range', column, low: null, high: null },
      top: { kind: 'top', column, n: 5, measure: measure?.formula ?? 'count(*)', end: 'largest' },
      missing: { kind: 'missing', column, keep: 'missing' },
      there: { kind: 'missing', column, keep: 'there' },
    };
    this.changed.emit(fresh[kind]);
  }

  protected setTop(change: Partial<Extract<Filter, { kind: 'top' }>>): void {
    const filter = this.filter();
    if (filter.kind === 'top' && (change.n === undefined || change.n >= 1)) this.changed.emit({ ...filter, ...change });
  }

  protected same(bound: Cell, value: string | null): boolean {
    return bound !== null && String(bound) === value;
  }

  private async load(table: string, column: string): Promise<void> {
    this.counts.set(await this.engine.api.valueCounts(this.store.tableAsk(table), column));
  }
}

type FilterKind = 'values' | 'range' | 'top' | 'missing' | 'there';

/** Every value of a short list; evenly taken ones of a long list, first and last among them. */
function thinned(counts: readonly ValueCount[]): readonly ValueCount[] {
  if (counts.length <= LISTED) return counts;
  return Array.from({ length: LISTED }, (_, i) => counts[Math.round((i * (counts.length - 1)) / (LISTED - 1))] as ValueCount);
}
