import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { formatNumber } from 'core/format';
import { styleOf } from 'core/plan';
import type { NumberFormat } from 'core/project';
import { Icon } from '../ui/icon';

const EXAMPLES = [1234.5678, 0.0472];

/** The project's number formats: named once, used everywhere. */
@Component({
  selector: 'cb-number-formats',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Icon],
  host: { class: 'block w-[330px]' },
  template: `
    <p class="sheet-head">Ways to write numbers, named once for the whole project</p>
    @for (format of formats(); track format.name) {
      <div class="flex items-center">
        <button type="button" class="row" [attr.aria-pressed]="editing() === format.name" (click)="editing.set(format.name)">
          <span class="grow">{{ format.name }}</span><span class="text-small text-soft">{{ example(format) }}</span>
        </button>
        <button type="button" class="act p-1.5" [attr.aria-label]="'Remove ' + format.name" (click)="remove(format.name)">
          <cb-icon name="trash" />
        </button>
      </div>
    }
    @let now = draft();
    <form class="grid grid-cols-2 gap-2 border-t border-hair p-2" (submit)="$event.preventDefault(); save()">
      <label>Name<input class="field" maxlength="60" [value]="now.name" (input)="set({ name: $any($event.target).value })" /></label>
      <label
        >Decimals<input
          class="field"
          type="number"
          min="0"
          max="12"
          placeholder="fitting"
          [value]="now.decimals ?? ''"
          (input)="setDecimals($any($event.target).value)"
      /></label>
      <label>Before<input class="field" maxlength="20" [value]="now.prefix" (input)="set({ prefix: $any($event.target).value })" /></label>
      <label>Behind<input class="field" maxlength="20" [value]="now.suffix" (input)="set({ suffix: $any($event.target).value })" /></label>
      <label
        >In units of<input class="field" inputmode="decimal" [value]="now.scale" (change)="setScale($any($event.target).value)"
      /></label>
      <div class="grid content-end gap-1">
        <label class="flex gap-2"
          ><input type="checkbox" [checked]="now.percent" (change)="set({ percent: $any($event.target).checked })" />share as percent</label
        >
        <label class="flex gap-2"
          ><input type="checkbox" [checked]="now.grouping" (change)="set({ grouping: $any($event.target).checked })" />thousands
          grouped</label
        >
      </div>
      <p class="col-span-2 text-small text-soft" role="status">{{ example(now) }}</p>
      <button type="submit" class="act act-loud col-span-2 justify-center" [disabled]="now.name.trim() === ''">
        {{ known() ? 'Change it' : 'Add it' }}
      </button>
    </form>
  `,
})
export class NumberFormats {
  readonly formats = input.required<readonly NumberFormat[]>();
  readonly changed = output<readonly NumberFormat[]>();
  protected readonly editing = signal<string | null>(null);
  protected readonly draft = linkedSignal((): NumberFormat => this.formats().find(format => format.name === this.editing()) ?? FRESH);
  protected readonly known = computed(() => this.formats().some(format => format.name === this.draft().name.trim()));

  protected example(format: NumberFormat): string {
    return EXAMPLES.map(value => formatNumber(value, styleOf(format))).join('   ');
  }

  protected set(change: Partial<NumberFormat>): void {
    this.draft.update(draft => ({ ...draft, ...change }));
  }

  protected setDecimals(text: string): void {
    const decimals = Number(text);
    this.set({ decimals: text === '' || !(decimals >= 0 && decimals <= 12) ? null : Math.floor(decimals) });
  }

  protected setScale(text: string): void {
    const scale = Number(text.replaceAll(',', ''));
    if (scale > 0 && Number.isFinite(scale)) this.set({ scale });
  }

  protected save(): void {
    const format = { ...this.draft(), name: this.draft().name.trim() };
    const others = this.formats();
    this.changed.emit(this.known() ? others.map(other => (other.name === format.name ? format : other)) : [...others, format]);
    this.editing.set(format.name);
  }

  protected remove(name: string): void {
    this.changed.emit(this.formats().filter(format => format.name !== name));
    this.editing.set(null);
  }
}

const FRESH: NumberFormat = { name: '', decimals: null, grouping: true, percent: false, prefix: '', suffix: '', scale: 1 };
