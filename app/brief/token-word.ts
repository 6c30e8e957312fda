import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import type { Token } from 'core/sentence';
import { ArrangeList } from '../ui/arrange-list';
import { ChoiceList } from '../ui/choice-list';
import { Sheet } from '../ui/sheet';
import { Swatch } from '../ui/swatch';
import { ValueEntry } from '../ui/value-entry';
import { WordPreview } from './word-preview';

// Letters that may need a line of their own.
const LONG_NAME = 24;

/** One changeable word of a sentence: a button that opens just the choices that make sense there. */
@Component({
  selector: 'cb-token',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ArrangeList, ChoiceList, Sheet, Swatch, ValueEntry],
  host: { class: 'inline' },
  providers: [WordPreview],
  template: `
    @if (formula(); as input) {
      <span
        role="button"
        tabindex="0"
        class="token"
        [attr.data-token]="token().key"
        [attr.data-about]="token().about"
        [attr.aria-label]="named()"
        [title]="token().about + ': ' + input.value"
        [textContent]="token().text"
        (click)="wrote.emit()"
        (keydown.enter)="$event.preventDefault(); wrote.emit()"
        (keydown.space)="$event.preventDefault(); wrote.emit()"
      ></span>
    } @else {
      <span
        role="button"
        tabindex="0"
        class="token"
        [class.whitespace-nowrap]="isShortColour()"
        [cbSheet]="sheet"
        [sheetLabel]="token().about"
        (closed)="preview.consider('', null)"
        [attr.data-token]="token().key"
        [attr.data-about]="token().about"
        [attr.aria-label]="named()"
        [title]="token().about"
        (keydown.enter)="$event.preventDefault(); open()"
        (keydown.space)="$event.preventDefault(); open()"
      >
        @if (isColour()) {
          <cb-swatch class="mr-1 align-baseline" [colour]="token().input.value" />
        }
        <span>{{ token().text }}</span>
      </span>
    }
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
      } @else if (input.kind === 'entry') {
        <cb-value-entry
          [entry]="input"
          [label]="token().about"
          (considered)="preview.consider(token().key, $event)"
          (chosen)="choose($event, close)"
        />
      } @else if (input.kind === 'arrange') {
        @defer (on immediate) {
          <cb-arrange-list [items]="input.items" (arranged)="chosen.emit(JSON.stringify($event))" />
        }
      } @else if (input.kind !== 'formula') {
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
  /** The word stands for a formula, which opens at the desk. */
  readonly wrote = output();
  protected readonly JSON = JSON;
  protected readonly formula = computed(() => {
    const { input } = this.token();
    return input.kind === 'formula' ? input : null;
  });
  /** The token's name with its current value: "Decimals: fitting". */
  protected readonly named = computed(() => `${this.token().about}: ${this.token().text}`);
  protected readonly isColour = computed(() => this.token().input.kind === 'colour' && this.token().input.value !== '');
  /** A swatch stands on the line of its word. */
  protected readonly isShortColour = computed(() => this.isColour() && this.token().text.length < LONG_NAME);
  protected readonly hex = computed(() => (this.token().input.value.startsWith('#') ? this.token().input.value : '#b07d12'));

  protected readonly preview = inject(WordPreview);
  private readonly sheetOf = viewChild(Sheet);

  protected open(): void {
    this.sheetOf()?.open();
  }

  protected choose(value: string, close: () => void): void {
    close();
    if (value !== this.token().input.value) this.chosen.emit(value);
  }
}
