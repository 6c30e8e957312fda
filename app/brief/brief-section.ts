import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Section } from 'core/brief';
import type { Sentence, Token } from 'core/sentence';
import { SentenceLine } from './sentence-line';
import type { TokenChoice } from './token-choice';

/** A word that opens its formula, and in which of the section's texts it stands. */
export interface WroteWord {
  readonly token: Token;
  readonly at: number;
}

/** A section of the brief: its prose, behind “finer” what was left alone, and what can be added. */
@Component({
  selector: 'cb-brief-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SentenceLine],
  host: { class: 'block' },
  template: `
    @for (text of texts(); track $index) {
      @if (text.said.length) {
        <cb-sentence [sentence]="text.said" (chosen)="chosen.emit($event)" (wrote)="wrote.emit({ token: $event, at: $index })" />
      }
    }
    <ng-content />
    <div class="-ml-2 flex flex-wrap">
      <ng-content select="[sectionActs]" />
      @if (finer().length) {
        <button
          type="button"
          class="act text-small text-soft"
          data-finer
          [attr.aria-expanded]="open()"
          [attr.aria-label]="(open() ? 'Less' : 'Finer settings') + ' of ' + heading()"
          (click)="open.set(!open())"
        >
          {{ open() ? 'less' : 'finer' }}
        </button>
      }
    </div>
    @if (open()) {
      @for (sentence of finer(); track $index) {
        <cb-sentence class="pl-4 text-soft" [sentence]="sentence" (chosen)="chosen.emit($event)" />
      }
    }
  `,
})
export class BriefSection {
  readonly heading = input.required<string>();
  readonly texts = input.required<readonly Section[]>();
  readonly chosen = output<TokenChoice>();
  readonly wrote = output<WroteWord>();

  protected readonly open = signal(false);
  protected readonly finer = computed((): readonly Sentence[] => this.texts().flatMap(text => text.finer));

  /** Opens what waits where a word is among it; false where it is not. */
  reveal(key: string): boolean {
    const waits = this.finer().some(sentence => sentence.some(part => typeof part !== 'string' && part.key === key));
    if (waits) this.open.set(true);
    return waits;
  }
}
