import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { TokenInput } from 'core/sentence';
import { Announcer } from './announcer';
import { ListKeys } from './list-keys';

let count = 0;

/** A value that is typed or chosen. What cannot be read is told below the field, and nothing changes. */
@Component({
  selector: 'cb-value-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ListKeys],
  template: `
    <form class="flex gap-1 p-1" (submit)="$event.preventDefault(); take(field.value)">
      <input
        #field
        class="field"
        type="text"
        maxlength="2000"
        [value]="entry().value"
        [attr.aria-label]="label()"
        [attr.aria-invalid]="fault() !== null"
        [attr.aria-describedby]="hintId"
        [cbListKeys]="list"
        [takesFirst]="false"
        #keys="cbListKeys"
        (input)="fault.set(null)"
        (keyup)="considered.emit(keys.marked?.dataset?.['value'] ?? null)"
      />
      <button type="submit" class="act act-loud">Use it</button>
    </form>
    @if (fault()) {
      <p class="max-w-72 px-2 text-small text-warn-ink" data-fault [id]="hintId">This cannot be read. {{ fault() }}</p>
    } @else {
      <p class="max-w-72 px-2 text-small text-soft" [id]="hintId">{{ entry().hint }}</p>
    }
    <div #list role="listbox" class="mt-1 border-t border-hair pt-1" [attr.aria-label]="label()">
      @for (option of entry().options; track option.value) {
        <button
          type="button"
          class="row"
          role="option"
          [attr.aria-selected]="option.value === entry().value"
          [attr.data-value]="option.value"
          (pointerenter)="considered.emit(option.value)"
          (pointerleave)="considered.emit(null)"
          (click)="chosen.emit(option.value)"
        >
          {{ option.label }}
        </button>
      }
    </div>
  `,
})
export class ValueEntry {
  readonly entry = input.required<Extract<TokenInput, { kind: 'entry' }>>();
  readonly label = input('');
  readonly chosen = output<string>();
  /** An offered value is pointed at, or come to by keys; null once it is left. */
  readonly considered = output<string | null>();
  private readonly announcer = inject(Announcer);
  protected readonly hintId = `hint-${++count}`;
  protected readonly fault = signal<string | null>(null);

  protected take(text: string): void {
    const fault = this.entry().check(text);
    this.fault.set(fault);
    if (fault === null) this.chosen.emit(text);
    else this.announcer.say(`This cannot be read. ${fault}`);
  }
}
