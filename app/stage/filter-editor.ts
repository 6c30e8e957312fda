import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Filter } from 'core/frame';
import { parseCell } from 'core/io';
import { success, type Result } from 'core/result';
import type { Figure } from 'core/document';
import type { Cell } from 'core/table';
import { EngineClient } from '../services/engine/engine-client';
import type { ValueCount } from 'engine';
import { ProjectStore } from '../services/project/project-store';
import { Announcer } from '../ui/announcer';
import { RadioKeys } from '../ui/radio-keys';
import { TickList, type TickItem } from '../ui/tick-list';

// First and last values of a range offered at once.
const MOST_STOPS = 200;

/** Edits a filter: ticked values with their counts, or a first and a last value. Changes show at once. */
@Component({
  selector: 'cb-filter-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RadioKeys, TickList],
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
    @if (now.kind === 'values' && counts().length) {
      <cb-tick-list [items]="ticks()" [label]="now.column" what="values" (toggled)="toggle($event)">
        <div class="flex gap-1 px-1 pb-1">
          <button type="button" class="act text-small" (click)="keep(allValues())">All</button>
          <button type="button" class="act text-small" (click)="keep([])">None</button>
        </div>
      </cb-tick-list>
    } @else if (now.kind === 'top') {
      <form class="flex flex-wrap items-center gap-2 p-2" (submit)="$event.preventDefault()">
        <label for="top-n">The</label>
        <input
          id="top-n"
          class="field w-16"
          type="number"
          min="1"
          max="100000"
          [value]="refused().n ?? now.n"
          [attr.aria-invalid]="refused().n !== undefined"
          [attr.aria-describedby]="refused().n === undefined ? null : 'filter-fault'"
          (change)="setCount($any($event.target).value)"
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
        @if (fault(); as words) {
          <p class="w-full max-w-64 text-small text-warn-ink" id="filter-fault" data-fault>{{ words }}</p>
        }
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
          [value]="refused().low ?? now.low ?? ''"
          [attr.aria-invalid]="refused().low !== undefined"
          [attr.aria-describedby]="refused().low === undefined ? null : 'filter-fault'"
          (change)="bound('low', $any($event.target).value)"
        />
        <label [for]="'high-' + now.column">to</label>
        <input
          class="field"
          inputmode="decimal"
          placeholder="the most"
          [id]="'high-' + now.column"
          [value]="refused().high ?? now.high ?? ''"
          [attr.aria-invalid]="refused().high !== undefined"
          [attr.aria-describedby]="refused().high === undefined ? null : 'filter-fault'"
          (change)="bound('high', $any($event.target).value)"
        />
        @if (fault(); as words) {
          <p class="col-span-2 max-w-64 text-small text-warn-ink" id="filter-fault" data-fault>{{ words }}</p>
        }
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
  private readonly announcer = inject(Announcer);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly filter = input.required<Filter>();
  readonly figure = input.required<Figure>();
  readonly changed = output<Filter>();

  protected readonly counts = signal<readonly ValueCount[]>([]);
  private readonly kept = computed((): ReadonlySet<string | null> => {
    const filter = this.filter();
    return new Set(filter.kind === 'values' ? filter.keep : []);
  });
  protected readonly ticks = computed(() =>
    this.counts().map(({ value, count }): TickItem<string | null> => ({
      key: value,
      words: value ?? '(missing)',
      beside: count.toLocaleString('en'),
      ticked: this.isKept(value),
    })),
  );
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

  private isKept(value: string | null): boolean {
    return this.kept().has(value);
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

  /** Refused inputs with their reasons, by field. */
  protected readonly refused = signal<Refused>({});
  protected readonly fault = signal<string | null>(null);

  protected bound(side: 'low' | 'high', text: string): void {
    const filter = this.filter();
    if (filter.kind !== 'range') return;
    const read = this.boundOf(text);
    if (!read.ok)
      return this.refuse(side, text, `“${text}” is not a number, so nothing was changed. Type a number, or nothing for no bound.`);
    const next = { ...filter, [side]: read.value };
    if (typeof next.low === 'number' && typeof next.high === 'number' && next.low > next.high)
      return this.refuse(
        side,
        text,
        `From ${next.low} to ${next.high} runs backwards, so nothing was changed. Put the smaller number first.`,
      );
    this.accept();
    this.changed.emit(next);
  }

  /** Read as the column's file was. */
  private boundOf(text: string): Result<Cell> {
    if (text.trim() === '') return success(null);
    if (!this.isNumber()) return success(text);
    const table = this.store.tableDoc(this.figure().data.table);
    const [name, reading, unit] = [this.column(), table?.readings[this.column()], table?.units[this.column()]];
    return parseCell(text, { name, type: 'number', reading, unit });
  }

  protected setCount(text: string): void {
    const n = Number(text);
    if (!Number.isInteger(n) || n < 1) return this.refuse('n', text, 'Keep at least one: type a whole number from 1 on.');
    this.accept();
    this.setTop({ n });
  }

  private refuse(field: keyof Refused, text: string, words: string): void {
    this.refused.set({ [field]: text });
    this.fault.set(words);
    this.announcer.say(words);
  }

  private accept(): void {
    this.refused.set({});
    this.fault.set(null);
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
    const isFirst = this.counts().length === 0;
    this.counts.set(await this.engine.api.valueCounts(table, column));
    // They come after the sheet has opened: what is typed next is meant for them.
    if (isFirst)
      afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>('[role="combobox"], [role="listbox"]')?.focus(), {
        injector: this.injector,
      });
  }
}

/** Texts as they were typed, by the field that refused them. */
type Refused = Partial<Record<'low' | 'high' | 'n', string>>;

type FilterKind = 'values' | 'range' | 'top' | 'missing' | 'there';

/** Every value of a short list; evenly taken ones of a long list, first and last among them. */
function thinned(counts: readonly ValueCount[]): readonly ValueCount[] {
  if (counts.length <= MOST_STOPS) return counts;
  return Array.from({ length: MOST_STOPS }, (_, i) => counts[Math.round((i * (counts.length - 1)) / (MOST_STOPS - 1))] as ValueCount);
}
