import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Sentence, Token } from 'core/sentence';
import { TokenWord } from './token-word';

/** What was chosen for a token. */
export interface TokenChoice {
  readonly key: string;
  readonly value: string;
}

/** A sentence of the brief: words, and words that are controls. */
@Component({
  selector: 'cb-sentence',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TokenWord],
  host: { class: 'block text-sentence leading-[1.65]' },
  // One line, no breaks: white space between the parts would stand before the commas.
  template: `@for (part of sentence(); track trackOf(part, $index)) {
    @if (asToken(part); as token) {
      <cb-token [token]="token" (chosen)="chosen.emit({ key: token.key, value: $event })" (wrote)="wrote.emit(token)" />
    } @else {
      <span class="whitespace-pre-wrap">{{ part }}</span>
    }
  }`,
})
export class SentenceLine {
  readonly sentence = input.required<Sentence>();
  readonly chosen = output<TokenChoice>();
  readonly wrote = output<Token>();

  /** A word keeps its place on screen, and its open sheet, when others come or go before it. */
  protected trackOf(part: string | Token, index: number): string | number {
    return typeof part === 'string' ? index : part.key;
  }

  protected asToken(part: string | Token): Token | null {
    return typeof part === 'string' ? null : part;
  }
}
