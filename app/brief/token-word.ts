import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Token } from 'core/sentence';
import { ChoiceList } from '../ui/choice-list';
import { Sheet } from '../ui/sheet';
import { Swatch } from '../ui/swatch';

/** One changeable word of a sentence: a button that opens just the choices that make sense there. */
@Component({
  selector: 'cb-token',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceList, Sheet, Swatch],
  host: { class: 'inline' },
  template: `
    <button class="token" [cbSheet]="sheet" [sheetLabel]="token().about" [attr.data-token]="token().key" [title]="token().about">
      @if (token().input.kind === 'colour') {
        <cb-swatch class="mr-1 align-baseline" [colour]="token().input.value" />
      }
      <span>{{ token().text }}</span>
    </button>
    <ng-template #sheet let-close>
      <p class="sheet-head">{{ token().about }}</p>
      @let input = token().input;
      @if (input.kind === 'text') {
        <form class="p-1" (submit)="$event.preventDefault(); choose(field.value, close)">
          <input
            #field
            class="field"
            type="text"
            maxlength="300"
            [value]="input.value"
            [placeholder]="input.placeholder"
            [attr.aria-label]="token().about"
          />
          <div class="mt-2 flex justify-end"><button type="submit" class="act act-loud">Use it</button></div>
        </form>
      } @else {
        <cb-choice-list [options]="input.options" [value]="input.value" [label]="token().about" (chosen)="choose($event, close)" />
        @if (input.kind === 'colour') {
          <label class="row mt-1 border-t border-hair">
            <input type="color" class="h-6 w-9" [value]="hex()" (change)="choose($any($event.target).value, close)" />
            A colour of your own
          </label>
        }
      }
    </ng-template>
  `,
})
export class TokenWord {
  readonly token = input.required<Token>();
  readonly chosen = output<string>();
  protected readonly hex = computed(() => (this.token().input.value.startsWith('#') ? this.token().input.value : '#b07d12'));

  protected choose(value: string, close: () => void): void {
    close();
    if (value !== this.token().input.value) this.chosen.emit(value);
  }
}
